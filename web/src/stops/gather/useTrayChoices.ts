import { computed, ref, type Ref } from 'vue'
import type { TrayRow } from '@/api/client'
import { count, whole } from '@/shared/words'

/** What is chosen for a file of the tray. */
export interface Choice {
    /** A candidate's path, a named place behind "name:", or that a path is typed; empty for nothing yet. */
    value: string
    typed: string
    isRefused: boolean
}

export const ownPath = '…'
export const named = 'name:'

/** What groups of one kind are called, where there may be several. */
const manyTitles: Record<string, string> = {
    contested: 'Several for one place',
    thing: 'Something new',
    series: 'Series',
}

/** The rows of a tray under what has to be done with them. */
export interface TrayGroup {
    key: string
    /** The key, but for files for one place each, which are of one kind. */
    kind: string
    title: string
    rows: TrayRow[]
    /** What is to be known of all of them. */
    says?: string
    /** Something new that they begin. */
    thing?: { owner: string; name: string; noun: string }
}

/**
 * What is chosen for each file of the tray, and the rows grouped by what that means.
 * @param chosen By the rows' paths; it stays as long as whoever gives it keeps it.
 */
export function useTrayChoices(rows: Ref<readonly TrayRow[]>, chosen: Ref<Record<string, Choice>> = ref({})) {
    // Where several places are as likely, none is proposed.
    const proposal = (row: TrayRow) =>
        row.hasFirst ? row.candidates[0]!.target : row.candidates.length === 0 && !row.isFlawed ? ownPath : ''

    function choiceOf(row: TrayRow): Choice {
        const kept = chosen.value[row.path]
        const isStill =
            kept &&
            (kept.value === ownPath ||
                kept.value.startsWith(named) ||
                row.candidates.some((candidate) => candidate.target === kept.value))
        return isStill ? kept : { value: proposal(row), typed: '', isRefused: false }
    }

    const candidateOf = (row: TrayRow) => row.candidates.find((c) => c.target === choiceOf(row).value)

    /** The path that is chosen; empty where there is none yet. */
    function targetOf(row: TrayRow): string {
        const choice = choiceOf(row)
        if (choice.value === ownPath) return choice.isRefused ? '' : choice.typed.trim()
        return choice.value.startsWith(named) ? '' : choice.value
    }

    const byTarget = computed(() => Map.groupBy(rows.value, targetOf))
    const isContested = (row: TrayRow) => targetOf(row) !== '' && (byTarget.value.get(targetOf(row))?.length ?? 0) > 1
    const isReady = (row: TrayRow) => targetOf(row) !== '' && !isContested(row) && !candidateOf(row)?.doubt

    /** True where what is proposed is still chosen: only then a row stands with others of its series or thing. */
    const isAsProposed = (row: TrayRow) => choiceOf(row).value === row.candidates[0]?.target
    const noun = (text: string) => text.replace(/ (entry|descriptor|picture)$/, '')

    /** Rows that belong together by a key, each list as a group. */
    function together(
        list: TrayRow[],
        keyOf: (row: TrayRow) => string | null | undefined,
        group: (rows: TrayRow[]) => Omit<TrayGroup, 'key' | 'rows'>,
    ): TrayGroup[] {
        const byKey = Map.groupBy(
            list.filter((row) => isAsProposed(row) && keyOf(row)),
            (row) => keyOf(row)!,
        )
        return [...byKey].map(([key, rows]) => ({ key, rows, ...group(rows) }))
    }

    const groups = computed<TrayGroup[]>(() => {
        const contested = [...byTarget.value]
            .filter(([target, list]) => target !== '' && list.length > 1)
            .map(([target, list]) => ({
                key: `for:${target}`,
                kind: 'contested',
                title: `${count(list.length, 'file')} for ${target}: place one`,
                rows: list,
            }))
        const free = rows.value.filter((row) => !isContested(row))
        const things = together(
            free,
            ({ thing }) => thing && `thing:${thing.owner}:${thing.name}`,
            (list) => ({
                kind: 'thing',
                title: `Begin a new ${noun(list[0]!.thing!.noun)} with ${list.length === 1 ? 'this' : `these ${whole(list.length)}`}`,
                thing: { ...list[0]!.thing!, noun: noun(list[0]!.thing!.noun) },
            }),
        )
        const series = together(
            free,
            (row) => row.series?.key,
            (list) => ({
                kind: 'series',
                title: `A series of ${whole(list.length)}`,
                says: list[0]!.series!.says,
            }),
        )
        for (const group of series) group.rows.sort((a, b) => a.series!.number - b.series!.number)
        const taken = new Set([...things, ...series].flatMap((group) => group.rows))
        const rest = free.filter((row) => !taken.has(row))
        const of = (key: string, title: string, is: (row: TrayRow) => boolean) => ({
            key,
            kind: key,
            title,
            rows: rest.filter(is),
        })
        const isGuess = (row: TrayRow) => candidateOf(row)?.isNew === true && !(row.isSure && isAsProposed(row))
        return [
            ...contested,
            of('sure', 'Sure', (row) => isReady(row) && row.isSure && isAsProposed(row)),
            ...series,
            of('likely', 'Likely', (row) => isReady(row) && !(row.isSure && isAsProposed(row)) && !isGuess(row)),
            of('new', 'New, under a name made of the file’s', (row) => isReady(row) && isGuess(row)),
            ...things,
            of('choose', 'Choose a place', (row) => row.candidates.length > 0 && !row.isFlawed && !isReady(row)),
            of('unknown', 'No place found', (row) => row.candidates.length === 0 && !row.isFlawed && !isReady(row)),
            of('flawed', 'Of no use', (row) => row.isFlawed && !isReady(row)),
        ].filter((group) => group.rows.length > 0)
    })

    const kinds = computed(() =>
        [...Map.groupBy(groups.value, (group) => group.kind)].map(([key, list]) => ({
            key,
            title: manyTitles[key] ?? list[0]!.title,
            number: list.reduce((sum, group) => sum + group.rows.length, 0),
        })),
    )

    const nameOf = (row: TrayRow) => row.file.slice(row.file.lastIndexOf('/') + 1)
    const byName = computed(() => Map.groupBy(rows.value, (row) => nameOf(row).toLowerCase()))
    const byHash = computed(() => Map.groupBy(rows.value, (row) => row.hash))
    /** Another file of the tray that is the same, or called the same. */
    function twinOf(row: TrayRow): string {
        const same = byHash.value.get(row.hash)?.find((other) => other !== row)
        if (same) return `same as ${same.file}`
        const alike = byName.value.get(nameOf(row).toLowerCase())?.find((other) => other !== row)
        return alike ? `another is called so: ${alike.file}` : ''
    }

    return {
        choiceOf,
        candidateOf,
        targetOf,
        isReady,
        twinOf,
        groups,
        kinds,
        /** The name under which something new is begun: what was typed, else what its files are called. */
        nameOf: (group: TrayGroup) => chosen.value[group.key]?.typed ?? group.thing?.name ?? '',
        callIt: (group: TrayGroup, name: string) =>
            (chosen.value = { ...chosen.value, [group.key]: { value: '', typed: name, isRefused: false } }),
        choose: (row: TrayRow, choice: Choice) => (chosen.value = { ...chosen.value, [row.path]: choice }),
    }
}

export type TrayChoices = ReturnType<typeof useTrayChoices>
