import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, data } from '@/api/client'
import type { Row } from '../ledger'
import { count } from '../words'
import { useChange } from './usePack'

/** Files brought from the base, renamed, and taken out of the pack: one or several, each time one change. */
export function useFiles(id: MaybeRefOrGetter<string>) {
    const change = useChange(id)
    const params = () => ({ path: { id: toValue(id) } })
    const named = (rows: readonly Row[]) => (rows.length === 1 ? rows[0]!.path : count(rows.length, 'file'))

    return {
        isBusy: change.isBusy,
        bring: (rows: readonly Row[]) =>
            change.run(
                () =>
                    data(
                        api.POST('/api/packs/{id}/bring', {
                            params: params(),
                            body: { paths: rows.map((row) => row.path) },
                        }),
                    ),
                (result) => {
                    const along = result.brought.filter((b) => b.with)
                    if (along.length === 0) return `Brought ${named(rows)}.`
                    const names =
                        along.length > 3 ? count(along.length, 'more file') : along.map((b) => b.path).join(', ')
                    return `Brought ${named(rows)}, and with ${rows.length === 1 ? 'it' : 'them'} ${names}: they have to change together.`
                },
            ),
        rename: (row: Row, to: string) =>
            change.run(
                () => data(api.POST('/api/packs/{id}/moves', { params: params(), body: { from: row.path, to } })),
                () => `Renamed to ${to}.`,
            ),
        takeOut: (rows: readonly Row[]) =>
            change.run(
                () =>
                    data(
                        api.POST('/api/packs/{id}/removals', {
                            params: params(),
                            body: { files: rows.map((row) => ({ path: row.path, hash: row.hash })) },
                        }),
                    ),
                () => `${named(rows)} ${rows.length === 1 ? 'is' : 'are'} out of the pack.`,
            ),
    }
}
