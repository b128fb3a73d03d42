import { computed, ref, type Ref } from 'vue'
import type { TrayRow } from '@/api/client'
import { count } from '@/shared/words'

/** What is chosen for a file of the tray. */
export interface Choice {
    /** A candidate's path, a named place behind "name:", or that a path is typed; empty for nothing yet. */
    value: string
    typed: string
    isRefused: boolean
}

export const ownPath = '…'
export const named = 'name:'

/** The rows of a tray under what has to be done with them. */
export interface TrayGroup {
    key: string
    /** The key, but for files for one place each, which are of one kind. */
    kind: string
    title: string
    rows: TrayRow[]
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

    const groups = computed<TrayGroup[]>(() => {
        const contested = [...byTarget.value]
            .filter(([target, list]) => target !== '' && list.length > 1)
            .map(([target, list]) => ({
                key: `for:${target}`,
                kind: 'contested',
                title: `${count(list.length, 'file')} for ${target}: place one`,
                rows: list,
            }))
        const rest = rows.value.filter((row) => !isContested(row))
        const of = (key: string, title: string, is: (row: TrayRow) => boolean) => ({
            key,
            kind: key,
            title,
            rows: rest.filter(is),
        })
        return [
            ...contested,
            of('choose', 'Choose a place', (row) => row.candidates.length > 0 && !row.isFlawed && !isReady(row)),
            of('ready', 'Ready to place', isReady),
            of('unknown', 'No place found', (row) => row.candidates.length === 0 && !row.isFlawed && !isReady(row)),
            of('flawed', 'Of no use', (row) => row.isFlawed && !isReady(row)),
        ].filter((group) => group.rows.length > 0)
    })

    const kinds = computed(() =>
        [...Map.groupBy(groups.value, (group) => group.kind)].map(([key, list]) => ({
            key,
            title: key === 'contested' ? 'Several for one place' : list[0]!.title,
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
        choose: (row: TrayRow, choice: Choice) => (chosen.value = { ...chosen.value, [row.path]: choice }),
    }
}

export type TrayChoices = ReturnType<typeof useTrayChoices>
