import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, data } from '@/api/client'

/** What an entry needs, and what uses it. */
export const useTies = (pack: MaybeRefOrGetter<string>, path: MaybeRefOrGetter<string>) =>
    useQuery({
        queryKey: ['pack', pack, 'ties', path],
        queryFn: () =>
            data(
                api.GET('/api/packs/{id}/entry/ties', {
                    params: { path: { id: toValue(pack) }, query: { path: toValue(path) } },
                }),
            ),
    })
