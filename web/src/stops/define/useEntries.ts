import { useQuery } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, data } from '@/api/client'

/** The pack's entries, and what else can be defined for its host. */
export const useEntries = (pack: MaybeRefOrGetter<string>) =>
    useQuery({
        queryKey: ['pack', pack, 'entries'],
        queryFn: () => data(api.GET('/api/packs/{id}/entries', { params: { path: { id: toValue(pack) } } })),
        placeholderData: (before) => before,
    })
