import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { withRows, type ListAnswer } from '@/api/lists'

/** A list of a pack: fetched whole once, and after each change only what is another since. */
export function useRows<T, A extends ListAnswer<T>>(
    id: MaybeRefOrGetter<string>,
    name: string,
    fetch: (id: string, since: number | undefined) => Promise<A>,
    keyOf: (row: T) => string,
) {
    const queries = useQueryClient()
    return useQuery({
        queryKey: ['pack', id, name],
        queryFn: async () => {
            const pack = toValue(id)
            const known = queries.getQueryData<A>(['pack', pack, name])
            const whole = withRows<T, A>(known, await fetch(pack, known?.revision), keyOf)
            return whole ?? (await fetch(pack, undefined))
        },
        placeholderData: (before) => before,
        // Rows that stay are handed on as they are; comparing all with all would cost more than drawing.
        structuralSharing: false,
    })
}
