import { toValue, type MaybeRefOrGetter } from 'vue'
import { useRouter } from 'vue-router'

/** Back to the list from which a stop was opened, just as it was left; else to Gather. */
export function useWayBack(id: MaybeRefOrGetter<string>) {
    const router = useRouter()
    return () => {
        const { back } = window.history.state as { back?: string | null }
        const from = back ? router.resolve(back) : null
        if (from && ['gather', 'prove'].includes(String(from.name)) && from.params.id === toValue(id)) router.back()
        else void router.push({ name: 'gather', params: { id: toValue(id) } })
    }
}
