import type { ScaleSketch, Sibling } from '@/api/client'
import { valueAt } from '../schema'

/** One thing as it stands in the row, in its own unit of length. */
export interface Standing {
    title: string
    isOwn: boolean
    height: number
    foot: number
    /** The widest it is. */
    width: number
    /** The left edge of what it takes in the row. */
    x: number
    /** Its outline as points of an SVG path, the foot at 0. */
    points: string
}

// As many as can be told apart in the width of a form.
const most = 6

const numberOf = (value: unknown) => (typeof value === 'number' && value > 0 ? value : null)

/** A thing's outline in its own size; null where it has no size, or no outline. */
function standing(sketch: ScaleSketch, title: string, value: unknown, isOwn: boolean): Standing | null {
    const [height, foot] = [numberOf(valueAt(value, sketch.height)), numberOf(valueAt(value, sketch.foot))]
    const outline = sketch.outlines[String(valueAt(value, sketch.shape))] as [number, number][] | undefined
    const first = outline?.[0]?.[1]
    if (height === null || foot === null || !outline || !first) return null
    const side = outline.map(([up, radius]) => [(radius / first) * (foot / 2), (1 - up) * height] as const)
    const right = side.map(([x, y]) => `${x},${y}`)
    const left = side.map(([x, y]) => `${-x},${y}`).reverse()
    return {
        title,
        isOwn,
        height,
        foot,
        width: 2 * Math.max(...side.map(([x]) => x)),
        x: 0,
        points: [...right, ...left].join(' '),
    }
}

/** The entry beside those of the base that are nearest to it in height, from the lowest to the highest; null where it has no size. */
export function rowOf(sketch: ScaleSketch, value: unknown, siblings: readonly Sibling[]): Standing[] | null {
    const own = standing(sketch, 'This one', value, true)
    if (!own) return null
    const others = siblings
        .map((one) => standing(sketch, one.title, one.value, false))
        .filter((one) => one !== null)
        .sort((a, b) => Math.abs(a.height - own.height) - Math.abs(b.height - own.height))
        .slice(0, most)
    const row = [own, ...others].sort((a, b) => a.height - b.height)
    const gap = Math.max(...row.map((one) => one.width)) / 4
    let x = 0
    return row.map((one) => {
        const placed = { ...one, x }
        x += one.width + gap
        return placed
    })
}
