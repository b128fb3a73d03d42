import type { QueryClient, QueryKey } from '@tanstack/vue-query'

/**
 * Fetches anew what is shown and was changed. A first answer that is still on its way may be older than the change, and an
 * invalidation alone would wait for it and take it for the new one.
 */
export async function renew(queries: QueryClient, queryKey: QueryKey) {
    await queries.cancelQueries({ queryKey, predicate: ({ state }) => state.data === undefined })
    await queries.invalidateQueries({ queryKey })
}
