import { computed, ref, watch, type Ref } from 'vue'
import type { Line, Row } from '../ledger'

// What was chosen in lists that were left.
const left = new Map<string, ReadonlySet<string>>()

/**
 * Rows that are chosen, for one act on all of them. A row that is no longer shown is not chosen.
 * @param name The list's: what was chosen in it is chosen still when one comes back.
 */
export function useSelection(name: string, lines: Ref<readonly Line[]>) {
    const paths = ref<ReadonlySet<string>>(left.get(name) ?? new Set())
    watch(paths, (now) => left.set(name, now))
    /** Where a range begins. */
    let anchor = ''

    const shown = computed(() => lines.value.flatMap((line) => (line.kind === 'row' ? [line.row] : [])))
    const rows = computed<Row[]>(() => shown.value.filter((row) => paths.value.has(row.path)))

    return {
        rows,
        has: (path: string) => paths.value.has(path),
        toggle(path: string) {
            const now = new Set(paths.value)
            if (!now.delete(path)) now.add(path)
            paths.value = now
            anchor = path
        },
        /** Chooses all from the row chosen last up to this one. */
        reach(path: string) {
            const at = shown.value.findIndex((row) => row.path === path)
            const from = shown.value.findIndex((row) => row.path === anchor)
            if (at < 0) return
            if (from < 0) anchor = path
            const [first, last] = from < 0 ? [at, at] : [Math.min(at, from), Math.max(at, from)]
            paths.value = new Set([...paths.value, ...shown.value.slice(first, last + 1).map((row) => row.path)])
        },
        all: () => (paths.value = new Set(shown.value.map((row) => row.path))),
        clear: () => (paths.value = new Set()),
    }
}

export type Selection = ReturnType<typeof useSelection>
