import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'

/** A value that lives in the page's address, so that every state can be linked and reloaded. */
export function useQueryValue(name: string, initial = '') {
    const route = useRoute()
    const router = useRouter()
    return computed({
        get: () => {
            const found = route.query[name]
            return typeof found === 'string' ? found : initial
        },
        set: (value: string) => {
            const { [name]: _, ...others } = route.query
            const query = value === initial ? others : { ...others, [name]: value }
            void router.replace({ query })
        },
    })
}
