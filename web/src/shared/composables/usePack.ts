import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { actOf, api, data, isPassing, Problem, wasStopped, type FindingView, type LedgerRow } from '@/api/client'
import { renew } from '@/api/renew'
import { useMessages } from './useMessages'
import { useRows } from './useRows'
import { useWork } from './useWork'

/** A pack with all that its frame shows. */
export function usePack(id: MaybeRefOrGetter<string>) {
    return useQuery({
        queryKey: ['pack', id, 'view'],
        queryFn: () => data(api.GET('/api/packs/{id}', { params: { path: { id: toValue(id) } } })),
        placeholderData: (before) => before,
    })
}

/** The paths of base and pack. */
export const useLedger = (id: MaybeRefOrGetter<string>) =>
    useRows(
        id,
        'ledger',
        (pack, since) => data(api.GET('/api/packs/{id}/ledger', { params: { path: { id: pack }, query: { since } } })),
        (row: LedgerRow) => row.path,
    )

/** All that was found in a pack. */
export const useFindings = (id: MaybeRefOrGetter<string>) =>
    useRows(
        id,
        'findings',
        (pack, since) =>
            data(api.GET('/api/packs/{id}/findings', { params: { path: { id: pack }, query: { since } } })),
        ({ name }: FindingView) => [name.code, name.path, name.pointer, name.discriminator].join('\n'),
    )

// The revisions that this page's own changes made, which the queries may not show yet.
const made = new Map<string, number>()
let last: Promise<unknown> = Promise.resolve()

/** Runs the changes of this page one after the other, so that an undo comes after what it undoes. */
function inTurn(id: string, run: () => Promise<unknown>): Promise<unknown> {
    const mine = last
        .catch(() => undefined)
        .then(run)
        .then((result) => {
            const { revision } = (result ?? {}) as { revision?: number }
            if (revision !== undefined) made.set(id, Math.max(revision, made.get(id) ?? 0))
            return result
        })
    last = mine
    return mine
}

interface ChangeOptions {
    /** What is said when it was made; nothing without. */
    done?: (result: never) => string
    /** An undo is not undone by a word. */
    isTurn?: boolean
    /** The browser keeps what is sent until it was made. */
    isKept?: boolean
    /** What is told of it while it is under way, where it may take long; it can be cancelled then. */
    work?: string
}

type Run<T> = (signal?: AbortSignal) => Promise<T>

/**
 * Changes a pack: runs the change, fetches what shows it, and says what was done, with a word to undo it. A problem is said
 * in the server's words, and the page shows the pack as it is.
 */
export function useChange(id: MaybeRefOrGetter<string>) {
    const queries = useQueryClient()
    const { say, warn } = useMessages()
    const work = useWork()
    const refresh = () => renew(queries, ['pack', toValue(id)])
    /** The newest revision that anything on this page shows: its lists may be ahead of its head. */
    const newest = () =>
        Math.max(
            made.get(toValue(id)) ?? 0,
            ...queries
                .getQueriesData<{ revision?: unknown }>({ queryKey: ['pack', toValue(id)] })
                .map(([, shown]) => (typeof shown?.revision === 'number' ? shown.revision : 0)),
        )

    /** What an undo names: the newest revision that this page knows, so that it takes back nothing that was not seen. */
    function known(act?: number) {
        const revision = act ?? newest()
        return {
            params: { path: { id: toValue(id) } },
            headers: revision > 0 ? { 'If-Match': `"${revision}"` } : {},
        }
    }

    /** Undoes the last act, or one that is given as long as it is the last. */
    async function undo(act?: number) {
        await change.mutateAsync({
            run: () => data(api.POST('/api/packs/{id}/undo', known(act))),
            done: () => 'Undone.',
            isTurn: true,
        })
    }

    /** Runs what may take long; where it was cancelled, the pack tells whether it was made all the same. */
    async function runLong(what: string, run: Run<unknown>) {
        const before = newest()
        try {
            return await work.run(what, run)
        } catch (problem) {
            if (!wasStopped(problem)) throw problem
            await refresh()
            throw newest() === before ? Problem.unanswered(problem) : Problem.stoppedLate()
        }
    }

    const change = useMutation({
        mutationFn: ({ run, work: what }: ChangeOptions & { run: Run<unknown> }) =>
            inTurn(toValue(id), () => (what ? runLong(what, run) : run())),
        onSuccess: async (result, { done, isTurn }) => {
            await refresh()
            const act = actOf(result)
            // What changed nothing is not undone: it would take back the act before, or another page's.
            const word = isTurn || act === undefined ? undefined : { word: 'Undo', run: () => void undo(act) }
            if (done) say(done(result as never), word)
        },
        onError: async (problem, { isKept }) => {
            // What is kept in the browser is not lost, and the page says so where it is typed.
            if (isKept && isPassing(problem)) return
            // Sent twice, because the answer to the first was lost: it is made, and shown.
            if (problem instanceof Problem && problem.type === '/problems/made-before') return refresh()
            if (wasStopped(problem)) return say(problem.message)
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
        undo: () => undo(),
        /** Runs a change; its result when it was made. */
        async run<T>(
            run: Run<T>,
            done?: (result: T) => string,
            options?: Pick<ChangeOptions, 'isKept' | 'work'>,
        ): Promise<T | undefined> {
            try {
                return (await change.mutateAsync({ run, done: done as never, ...options })) as T
            } catch {
                return undefined
            }
        },
        async redo() {
            await change.mutateAsync({
                run: () => data(api.POST('/api/packs/{id}/redo', known())),
                done: () => 'Done again.',
            })
        },
    }
}
