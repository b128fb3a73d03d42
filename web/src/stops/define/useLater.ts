import { computed, ref, toValue, type MaybeRefOrGetter } from 'vue'
import { api, data, type EntryView } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'
import { parsed, valueAt } from './schema'

const anyRow = (pointer: string) => pointer.replace(/\/\d+(?=\/|$)/g, '/*')

/** The author's “later”: which values of an entry are still to be set. */
export function useLater(
    pack: MaybeRefOrGetter<string>,
    entry: MaybeRefOrGetter<EntryView>,
    value: MaybeRefOrGetter<unknown>,
) {
    const change = useChange(pack)
    const saved = computed(() => parsed(toValue(entry).text))
    /** What this page marked: it may stand in a text that is not saved yet. */
    const sent = ref(new Map<string, unknown>())
    const isSame = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other)
    const isAs = (pointer: string, held: unknown) => isSame(valueAt(toValue(value), pointer), held)
    /** What the server finds in a row that has the value of one which it does not know yet. */
    const isTypedElsewhere = (at: string) =>
        [...sent.value].some(
            ([pointer, held]) =>
                pointer !== at &&
                anyRow(pointer) === anyRow(at) &&
                isAs(pointer, held) &&
                !isSame(valueAt(saved.value, pointer), held) &&
                isSame(valueAt(saved.value, at), held),
        )
    /** Those that are as they were when they were marked, and as they stand now; the entry as a whole is named by "". */
    const marked = computed(
        () =>
            new Set([
                ...toValue(entry).later.filter(
                    (at) => at === '' || (isAs(at, valueAt(saved.value, at)) && !isTypedElsewhere(at)),
                ),
                ...[...sent.value].filter(([at, held]) => isAs(at, held)).map(([at]) => at),
            ]),
    )

    async function send(values: Record<string, unknown>, isLater: boolean) {
        const marks = Object.entries(values)
        for (const [pointer, held] of marks)
            if (isLater && pointer !== '') sent.value.set(pointer, held)
            else sent.value.delete(pointer)
        await change.run(() =>
            data(
                api.POST('/api/packs/{id}/entry/later', {
                    params: { path: { id: toValue(pack) } },
                    body: {
                        path: toValue(entry).path,
                        marks: marks.map(([pointer, held]) => ({ pointer, value: held ?? null })),
                        isLater,
                    },
                }),
            ),
        )
    }

    return { isLater: (pointer: string) => marked.value.has(pointer), send }
}
