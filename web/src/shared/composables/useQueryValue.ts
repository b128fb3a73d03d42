import { computed, ref, watch } from 'vue'
import { useRoute, useRouter, type LocationQuery } from 'vue-router'

// Addresses change a moment after they are asked to; until then this is the one that counts.
let wanted: LocationQuery | null = null

/** A value that lives in the page's address, so that every state can be linked and reloaded. */
export function useQueryValue(name: string, initial = '') {
    const route = useRoute()
    const router = useRouter()
    const read = () => {
        const found = route.query[name]
        return typeof found === 'string' ? found : initial
    }
    // Kept here too, so that a field shows what was typed before the address does.
    const value = ref(read())
    let pending: LocationQuery | null = null
    watch(
        () => route.query[name],
        () => {
            if (pending === null) value.value = read()
        },
    )

    return computed({
        get: () => value.value,
        set: (now: string) => {
            value.value = now
            const { [name]: _, ...others } = wanted ?? route.query
            const query = now === initial ? others : { ...others, [name]: now }
            wanted = pending = query
            void router.replace({ query }).finally(() => {
                if (wanted === query) wanted = null
                if (pending === query) pending = null
            })
        },
    })
}
