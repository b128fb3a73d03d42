import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, data } from '@/api/client'

/** The newest job of a kind on a pack; events keep it fresh. */
export function useLatestJob(pack: MaybeRefOrGetter<string>, kind: string) {
    return useQuery({
        queryKey: ['jobs', pack, kind],
        queryFn: async () =>
            (await data(
                api.GET('/api/packs/{id}/jobs/{kind}/latest', { params: { path: { id: toValue(pack), kind } } }),
            )) ?? null,
    })
}
