import { ref, toValue, type MaybeRefOrGetter } from 'vue'
import { api, data, fileUrl, type PlacementsRequest, type TrayRow } from '@/api/client'
import { useMessages } from '@/shared/composables/useMessages'
import { useChange } from '@/shared/composables/usePack'
import { useRows } from '@/shared/composables/useRows'
import { useSource } from '@/shared/composables/useSource'
import { count } from '@/shared/words'

/** Files that were dropped in and are not yet placed, and what can be done with them. */
export function useTray(id: MaybeRefOrGetter<string>) {
    const { data: tray, isFetching } = useRows(
        id,
        'tray',
        (pack, since) => data(api.GET('/api/packs/{id}/tray', { params: { path: { id: pack }, query: { since } } })),
        (row: TrayRow) => row.path,
    )
    const change = useChange(id)
    const source = useSource(id)
    const { say } = useMessages()
    const params = () => ({ path: { id: toValue(id) } })
    /** Why files stayed in the tray when they were to be placed. */
    const stayed = ref<Record<string, string>>({})

    async function place(row: TrayRow, target: string, insist: boolean) {
        const result = await change.run(
            () =>
                data(
                    api.POST('/api/packs/{id}/tray/placements', {
                        params: params(),
                        body: { files: [{ file: row.file, target, insist }], allSure: false },
                    }),
                ),
            (made) =>
                made.placed > 0 ? `Placed at ${target}.` : `${row.file} stays in the tray: ${made.left[0]?.says}`,
        )
        if (!result) return
        const { [row.path]: _, ...others } = stayed.value
        stayed.value = result.left[0] ? { ...others, [row.path]: result.left[0].says } : others
        if (result.asResult.length > 0)
            say(`${target}: it is what the picture’s steps made, drawn on further, and was taken as it is.`, {
                word: 'Run the steps on it all the same',
                run: () => void runSteps(target),
            })
    }

    async function placeMany(files: NonNullable<PlacementsRequest['files']>) {
        const body = { files, allSure: false }
        const result = await change.run(
            (signal) => data(api.POST('/api/packs/{id}/tray/placements', { params: params(), body, signal })),
            ({ placed, left }) =>
                `${count(placed, 'file')} placed${left.length > 0 ? `; ${count(left.length, 'stays', 'stay')}: ${left[0]?.says}` : ''}.`,
            { work: `Placing ${count(files.length, 'file')}` },
        )
        // Each that stayed says why in its row.
        const paths = new Map(tray.value?.rows.map((row) => [row.file, row.path]))
        for (const { path, says } of result?.left ?? []) stayed.value[paths.get(path) ?? path] = says
    }

    /** What was taken for the result of its steps, as their source. */
    async function runSteps(path: string) {
        const answer = await fetch(fileUrl(toValue(id), path), { headers: { Accept: 'application/octet-stream' } })
        await source.renew(path, new File([await answer.blob()], path), 'source')
    }

    return {
        tray,
        isFetching,
        isBusy: change.isBusy,
        stayed,
        place,
        placeAll: (list: { row: TrayRow; target: string }[]) =>
            placeMany(list.map(({ row, target }) => ({ file: row.file, target, insist: false }))),
        begin: (thing: { owner: string; noun: string }, name: string, rows: readonly TrayRow[]) =>
            change.run(
                () =>
                    data(
                        api.POST('/api/packs/{id}/tray/things', {
                            params: params(),
                            body: {
                                owner: thing.owner,
                                name,
                                parts: rows.map((row) => ({ file: row.file, place: row.thing!.part })),
                            },
                        }),
                    ),
                (made) =>
                    [
                        `The ${thing.noun} ${name} is begun with ${count(rows.length, 'file')}: ${made.path}.`,
                        ...made.meets.slice(0, 1).map((one) => `${one}.`),
                    ].join(' '),
            ),
        nameIt: (row: TrayRow, key: string, noun: string) =>
            change.run(
                () =>
                    data(
                        api.POST('/api/packs/{id}/tray/named', {
                            params: params(),
                            body: { file: row.file, place: key },
                        }),
                    ),
                () => `${row.file} is the ${noun} now.`,
            ),
        discard: (files: string[]) =>
            change.run(
                () => data(api.POST('/api/packs/{id}/tray/discards', { params: params(), body: { files } })),
                () => `${count(files.length, 'file')} thrown away.`,
            ),
    }
}
