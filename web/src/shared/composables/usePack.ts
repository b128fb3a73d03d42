import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, data, Problem, type PackView } from '@/api/client'
import { useMessages } from './useMessages'

/** A pack with all that its frame shows. */
export function usePack(id: MaybeRefOrGetter<string>) {
    return useQuery({
        queryKey: ['pack', id, 'view'],
        queryFn: () => data(api.GET('/api/packs/{id}', { params: { path: { id: toValue(id) } } })),
        placeholderData: (before) => before,
    })
}

/** The paths of base and pack. */
export function useLedger(id: MaybeRefOrGetter<string>) {
    return useQuery({
        queryKey: ['pack', id, 'ledger'],
        queryFn: () => data(api.GET('/api/packs/{id}/ledger', { params: { path: { id: toValue(id) } } })),
        placeholderData: (before) => before,
    })
}

/** All that was found in a pack. */
export function useFindings(id: MaybeRefOrGetter<string>) {
    return useQuery({
        queryKey: ['pack', id, 'findings'],
        queryFn: () => data(api.GET('/api/packs/{id}/findings', { params: { path: { id: toValue(id) } } })),
        placeholderData: (before) => before,
    })
}

/**
 * Changes a pack: runs the change, fetches what shows it, and says what was done, with a word to undo it. A problem is said
 * in the server's words, and the page shows the pack as it is.
 */
export function useChange(id: MaybeRefOrGetter<string>) {
    const queries = useQueryClient()
    const { say, warn } = useMessages()
    const refresh = () => queries.invalidateQueries({ queryKey: ['pack', toValue(id)] })

    /** What an undo names: the revision that this page shows, so that it takes back nothing that was not seen. */
    function shown() {
        const view = queries.getQueryData<PackView>(['pack', toValue(id), 'view'])
        return { params: { path: { id: toValue(id) } }, headers: view ? { 'If-Match': `"${view.revision}"` } : {} }
    }

    async function undo() {
        await change.mutateAsync({
            run: () => data(api.POST('/api/packs/{id}/undo', shown())),
            done: () => 'Undone.',
            isTurn: true,
        })
    }

    const change = useMutation({
        mutationFn: ({ run }: { run: () => Promise<unknown>; done?: (result: never) => string; isTurn?: boolean }) =>
            run(),
        onSuccess: async (result, { done, isTurn }) => {
            await refresh()
            if (done) say(done(result as never), isTurn ? undefined : { word: 'Undo', run: () => void undo() })
        },
        onError: async (problem) => {
            warn(
                problem instanceof Problem
                    ? problem.message
                    : 'Something went wrong in this page. Reload it; your pack is safe.',
            )
            await refresh()
        },
    })

    return {
        isBusy: change.isPending,
        undo,
        /** Runs a change; true when it was made. */
        async run<T>(run: () => Promise<T>, done?: (result: T) => string): Promise<T | undefined> {
            try {
                return (await change.mutateAsync({ run, done: done as never })) as T
            } catch {
                return undefined
            }
        },
        async redo() {
            await change.mutateAsync({
                run: () => data(api.POST('/api/packs/{id}/redo', shown())),
                done: () => 'Done again.',
            })
        },
    }
}
