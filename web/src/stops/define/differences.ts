import { pathOf, valueAt } from './schema'

export interface Difference {
    pointer: string
    /** What the base has; undefined where it has nothing. */
    was: unknown
    /** What stands here; undefined where nothing does. */
    now: unknown
}

/** The values in which two entries differ, field by field; a list is one value. */
export function differences(below: unknown, value: unknown): Difference[] {
    return [...new Set([...leaves(value), ...leaves(below)])]
        .map((pointer) => ({ pointer, was: valueAt(below, pointer), now: valueAt(value, pointer) }))
        .filter(({ was, now }) => JSON.stringify(was) !== JSON.stringify(now))
}

/** Pointers to all values that are no objects. */
function leaves(value: unknown, pointer = ''): string[] {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return pointer ? [pointer] : []
    return Object.entries(value).flatMap(([name, inner]) =>
        leaves(inner, `${pointer}/${name.replaceAll('~', '~0').replaceAll('/', '~1')}`),
    )
}

/** The fields on the way to a value, as people read them. */
export const fieldWords = (pointer: string) =>
    pathOf(pointer)
        .map((step) => step.replaceAll('_', ' '))
        .join(' · ')

/** A value as a short word. */
export function shortly(value: unknown): string {
    if (value === undefined) return 'left out'
    if (Array.isArray(value)) return value.length === 1 ? '1 item' : `${value.length} items`
    return String(value)
}
