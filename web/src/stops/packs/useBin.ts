import { useQueryClient } from '@tanstack/vue-query'
import { api, data, type PackListItem } from '@/api/client'
import { renew } from '@/api/renew'
import { useMessages } from '@/shared/composables/useMessages'

/** Puts packs into the bin; a word brings one back at once. */
export function useBin() {
    const queries = useQueryClient()
    const { say, warn } = useMessages()
    const refresh = () => renew(queries, ['packs'])
    const params = (pack: PackListItem) => ({ params: { path: { id: pack.id } } })

    async function restore(pack: PackListItem) {
        await data(api.POST('/api/bin/{id}/restoration', params(pack)))
        await refresh()
        say(`${pack.summary.title} is back.`)
    }

    return {
        /** True when it was put there. */
        async put(pack: PackListItem): Promise<boolean> {
            try {
                await data(api.DELETE('/api/packs/{id}', params(pack)))
            } catch (problem) {
                warn((problem as Error).message)
                return false
            }
            await refresh()
            say(`${pack.summary.title} is in the bin, for 30 days.`, {
                word: 'Restore',
                run: () => void restore(pack).catch((problem: Error) => warn(problem.message)),
            })
            return true
        },
    }
}
