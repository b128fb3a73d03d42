import type { MapSketch } from '@/api/client'
import { valueAt } from '../schema'

export interface MapSpan {
    /** The row's index. */
    row: number
    state: string
    from: number
    to: number
    /** What the row gives, in a word. */
    says: string
}

export interface ReactionMap {
    least: number
    most: number
    /** Where each row is the first that fits, by state. */
    spans: MapSpan[]
    /** Where none fits, between the lowest and the highest. */
    gaps: { state: string; from: number; to: number }[]
}

/** What is given at each number in each state, when as much of the third is there; null where no row can be drawn. */
export function mapOf(sketch: MapSketch, value: unknown, soak: number): ReactionMap | null {
    const found = valueAt(value, sketch.rows)
    const rows = (Array.isArray(found) ? found : [])
        .map((item: unknown, row) => ({ row, item: (item ?? {}) as Record<string, unknown> }))
        .map(({ row, item }) => ({
            row,
            from: Number(item[sketch.from]),
            to: Number(item[sketch.to]),
            state: item[sketch.state],
            least: Number(item[sketch.least] ?? 0),
            says: String((item.gives as { type?: string } | undefined)?.type ?? `row ${row + 1}`),
        }))
        .filter(({ from, to }) => from <= to)
    if (rows.length === 0) return null
    const [least, most] = [Math.min(...rows.map((r) => r.from)), Math.max(...rows.map((r) => r.to))]
    const edges = [...new Set(rows.flatMap((r) => [r.from, r.to]))].sort((a, b) => a - b)
    const spans: MapSpan[] = []
    const gaps: ReactionMap['gaps'] = []
    for (const state of sketch.states)
        for (let i = 0; i + 1 < edges.length; i++) {
            const [from, to] = [edges[i]!, edges[i + 1]!]
            const first = rows.find(
                (r) => r.from <= from && r.to >= to && r.least <= soak && (r.state === state || r.state === sketch.any),
            )
            const last = spans.at(-1)
            if (!first) gaps.push({ state, from, to })
            else if (last?.row === first.row && last.state === state && last.to === from) last.to = to
            else spans.push({ row: first.row, state, from, to, says: first.says })
        }
    return { least, most, spans, gaps }
}

/** The most of the third number that any row asks for. */
export const mostAsked = (sketch: MapSketch, value: unknown) => {
    const found = valueAt(value, sketch.rows)
    return Math.max(0, ...(Array.isArray(found) ? found : []).map((row) => Number((row as never)?.[sketch.least] ?? 0)))
}
