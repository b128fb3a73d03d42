import { toValue, type MaybeRefOrGetter } from 'vue'
import { useRouter } from 'vue-router'
import { canOpen, type Row } from '@/shared/ledger'

/** Opens a row where it is worked on: pictures and sounds in Shape, entries in Define. */
export function useRowOpening(id: MaybeRefOrGetter<string>) {
    const router = useRouter()
    return (row: Row) => {
        if (!canOpen(row)) return
        if ((row.isPicture || row.isSound) && row.place)
            void router.push({ name: 'shape', params: { id: toValue(id) }, query: { path: row.path } })
        else void router.push({ name: 'define', params: { id: toValue(id) }, query: { path: row.path } })
    }
}
