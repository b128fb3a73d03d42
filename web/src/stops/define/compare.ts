import { differences, type Difference } from './differences'
import { fieldsOf, flat, valueAt, type Field, type Property } from './schema'

/** A number of one entry beside that of another. */
export interface Compared extends Difference {
    title: string
    unit: string
    /** Better or worse than the other's; nothing where neither counts. */
    is: 'better' | 'worse' | ''
}

/** A quotient that the kind names, of both; nothing where one of the numbers is not there. */
export interface Ratio {
    title: string
    theirs: number | null
    yours: number | null
}

interface KindSchema extends Property {
    'x-underlay-ratios'?: { title: string; of: string; to: string }[]
}

const numberAt = (value: unknown, pointer: string) => {
    const found = valueAt(value, pointer)
    return typeof found === 'number' ? found : null
}

function verdict({ was, now }: Difference, field?: Field): Compared['is'] {
    if (!field?.better || typeof was !== 'number' || typeof now !== 'number') return ''
    return now > was === (field.better === 'more') ? 'better' : 'worse'
}

/** In what an entry differs from another of its kind; what each has for itself alone is left out. */
export function compared(schema: unknown, other: unknown, value: unknown, own: readonly string[]): Compared[] {
    const fields = new Map(flat(fieldsOf(schema)).map((field) => [field.pointer, field]))
    return differences(other, value)
        .filter(({ pointer }) => !own.includes(pointer))
        .map((one) => {
            const field = fields.get(one.pointer)
            return { ...one, title: field?.title ?? '', unit: field?.unit ?? '', is: verdict(one, field) }
        })
}

/** The quotients that the kind names, where one of both has them. */
export function ratios(schema: unknown, other: unknown, value: unknown): Ratio[] {
    const quotient = (entry: unknown, of: string, to: string) => {
        const [upper, lower] = [numberAt(entry, `/${of}`), numberAt(entry, `/${to}`)]
        return upper === null || !lower ? null : upper / lower
    }
    return ((schema as KindSchema)['x-underlay-ratios'] ?? [])
        .map(({ title, of, to }) => ({ title, theirs: quotient(other, of, to), yours: quotient(value, of, to) }))
        .filter(({ theirs, yours }) => theirs !== null || yours !== null)
}
