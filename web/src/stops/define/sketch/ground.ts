import type { GroundSketch } from '@/api/client'
import { valueAt } from '../schema'

export interface GroundPoint {
    id: string
    kind: string
    x: number
    y: number
    isReached: boolean
}

export interface GroundLane {
    from: GroundPoint
    to: GroundPoint
    width: number
    isWide: boolean
}

export interface GroundClaim {
    name: string
    needs: GroundNeed[]
}

export interface GroundNeed {
    kind: string
    state: 'reached' | 'cut off' | 'missing'
}

export interface GroundMap {
    points: GroundPoint[]
    lanes: GroundLane[]
    claims: GroundClaim[]
    /** Codes of what is not claimed although all that it needs is reached. */
    unclaimed: string[]
    box: { x: number; y: number; width: number; height: number }
}

/** The ground as it stands: what can be walked to from the gate, and whether each claim is met. */
export function groundOf(sketch: GroundSketch, value: unknown): GroundMap {
    const listAt = (pointer: string) => {
        const found = valueAt(value, pointer)
        return (Array.isArray(found) ? found : []) as Record<string, unknown>[]
    }
    const gate = String(valueAt(value, sketch.gate) ?? '')
    const lanes = listAt(sketch.lanes).map((lane) => ({
        from: String(lane?.from),
        to: String(lane?.to),
        width: Number(lane?.width_m),
    }))
    const reached = new Set([gate])
    for (let before = -1; before < reached.size;) {
        before = reached.size
        for (const { from, to, width } of lanes)
            if (width >= sketch.leastWidth)
                for (const [one, other] of [
                    [from, to],
                    [to, from],
                ] as const)
                    if (reached.has(one)) reached.add(other)
    }
    const points = listAt(sketch.points).map((point) => ({
        id: String(point?.id),
        kind: String(point?.kind),
        x: Number(point?.x) || 0,
        y: Number(point?.y) || 0,
        isReached: reached.has(String(point?.id)),
    }))
    const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)]
    const box = {
        x: Math.min(0, ...xs) - 4,
        y: Math.min(0, ...ys) - 4,
        width: Math.max(20, ...xs) - Math.min(0, ...xs) + 14,
        height: Math.max(10, ...ys) - Math.min(0, ...ys) + 8,
    }
    // The gate is where people come in; where it is no point itself, it lies at the edge.
    const door = { id: gate, kind: 'gate', x: box.x + 2, y: box.y + box.height / 2, isReached: true }
    const all = points.some((p) => p.id === gate) ? points : [door, ...points]
    const at = new Map(all.map((point) => [point.id, point]))
    const claimed = valueAt(value, sketch.field)
    const claims: unknown[] = Array.isArray(claimed) ? claimed : []
    const claimOf = (code: unknown) => sketch.claims.find((one) => one.code === code)
    const nameOf = (code: unknown) => claimOf(code)?.name || String(code)
    const needsOf = (code: unknown): GroundNeed[] =>
        (claimOf(code)?.group ?? '')
            .split(' ')
            .filter(Boolean)
            .map((kind) => {
                const those = points.filter((point) => point.kind === kind)
                return {
                    kind,
                    state: those.some((p) => p.isReached) ? 'reached' : those.length > 0 ? 'cut off' : 'missing',
                }
            })
    return {
        points: all,
        lanes: lanes.flatMap(({ from, to, width }) => {
            const [one, other] = [at.get(from), at.get(to)]
            return one && other ? [{ from: one, to: other, width, isWide: width >= sketch.leastWidth }] : []
        }),
        claims: claims.map((code) => ({ name: nameOf(code), needs: needsOf(code) })),
        unclaimed: sketch.claims
            .map(({ code }) => code)
            .filter((code) => !claims.includes(code) && needsOf(code).length > 0)
            .filter((code) => needsOf(code).every(({ state }) => state === 'reached')),
        box,
    }
}
