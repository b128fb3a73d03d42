import type { GridSketch } from '@/api/client'
import { valueAt } from '../schema'
import type { Stroke } from './peal'

export interface GridCell {
    state: string
    /** The index of the row that answers here; -1 where none does. */
    row: number
    /** What the row lists, with how often each comes. */
    says: string[]
    /** What is played here; empty where nothing answers, or what answers plays nothing. */
    strokes: Stroke[]
}

export interface GridRow {
    code: string
    name: string
    isRequired: boolean
    /** Nothing that is claimed asks for it. */
    isLoose: boolean
    cells: GridCell[]
}

type Item = Record<string, unknown>

const itemsAt = (value: unknown, pointer: string): Item[] => {
    const found = valueAt(value, pointer)
    return Array.isArray(found)
        ? found.map((item: unknown) => (typeof item === 'object' && item !== null ? (item as Item) : {}))
        : []
}

/** Every code that what is claimed asks for, and every other that has a row, with what answers it in each state. */
export function gridOf(sketch: GridSketch, value: unknown): GridRow[] {
    const claims = valueAt(value, sketch.field)
    const claimed = new Set(Array.isArray(claims) ? claims : [])
    const rows = itemsAt(value, sketch.rows)
    const used = new Set(rows.map((row) => row[sketch.code]))
    return sketch.codes
        .filter(({ code, group }) => claimed.has(group) || used.has(code))
        .map(({ code, name, group, isRequired }) => ({
            code,
            name,
            isRequired: isRequired && claimed.has(group),
            isLoose: !claimed.has(group),
            cells: sketch.states.map((state) => {
                const row = rows.findIndex((one) => answers(sketch, one, code, state))
                const strokes = row < 0 ? [] : strokesOf(sketch, rows[row]![sketch.lists] as unknown[])
                return { state, row, says: shares(strokes), strokes }
            }),
        }))
        .sort((a, b) => Number(b.isRequired) - Number(a.isRequired))
}

/** Whether a row answers a code in a state: an empty list answers nothing. */
const answers = ({ code: by, when, any, lists }: GridSketch, row: Item, code: string, state: string) =>
    row[by] === code && (row[when] === state || row[when] === any) && Array.isArray(row[lists]) && row[lists].length > 0

/** What is not claimed although every code that it requires is answered in every state. */
export function unclaimed(sketch: GridSketch, value: unknown): string[] {
    const claims = valueAt(value, sketch.field)
    const rows = itemsAt(value, sketch.rows)
    const required = Map.groupBy(
        sketch.codes.filter((one) => one.isRequired),
        ({ group }) => group,
    )
    return [...required]
        .filter(([group]) => !(Array.isArray(claims) && claims.includes(group)))
        .filter(([, codes]) =>
            codes.every(({ code }) =>
                sketch.states.every((state) => rows.some((row) => answers(sketch, row, code, state))),
            ),
        )
        .map(([group]) => group)
}

function strokesOf({ plays }: GridSketch, list: unknown[]): Stroke[] {
    if (!plays) return []
    return list.map((item) => {
        const { [plays.sound]: sound, [plays.turns]: turns, [plays.rest]: rest } = (item ?? {}) as Item
        const numberOf = (value: unknown, otherwise: number) => (typeof value === 'number' ? value : otherwise)
        return { sound: String(sound ?? '?'), turns: numberOf(turns, 1), rest: numberOf(rest, 0) }
    })
}

/** "low_1, 3 of 4": what is listed with its turns of all. */
function shares(strokes: readonly Stroke[]): string[] {
    const sum = strokes.reduce((all, { turns }) => all + turns, 0)
    return strokes.map(({ sound, turns }) => `${sound.split('/').pop()!}, ${turns} of ${sum}`)
}

/** The rows with one more, that answers a code in a state as it is answered in another; without a list where nothing does yet. */
export function answered(sketch: GridSketch, value: unknown, code: string, state: string): unknown[] {
    const rows = itemsAt(value, sketch.rows)
    const like = rows.find((row) => row[sketch.code] === code)
    return [
        ...rows,
        { [sketch.code]: code, [sketch.when]: state, [sketch.lists]: structuredClone(like?.[sketch.lists] ?? []) },
    ]
}

/** The rows with one that answers a code in every state, and no other of that code. */
export function inEveryState(sketch: GridSketch, value: unknown, code: string): unknown[] {
    const rows = itemsAt(value, sketch.rows)
    const kept = rows.findIndex((row) => row[sketch.code] === code)
    return rows
        .map((row, index) => (index === kept ? { ...row, [sketch.when]: sketch.any } : row))
        .filter((row, index) => index === kept || row[sketch.code] !== code)
}
