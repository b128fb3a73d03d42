import type { EntryView, ParametersView } from '@/api/client'
import { anyItem, fieldAt, fieldsOf, pathOf, valueAt, type Field } from './schema'

/** What is known of the fields of an entry. */
export type Known = Pick<EntryView, 'schema' | 'choices' | 'parameters'>

/** The type that an object at a pointer names, with its parameters; nothing where it names none that is known. */
export function typeAt(all: readonly ParametersView[], pointer: string, holder: unknown) {
    const found = all.find(({ field }) => field === anyItem(pointer))
    const type = found && valueAt(holder, `/${found.by}`)
    const known = typeof type === 'string' ? found?.types[type] : undefined
    return known ? { type: type as string, known } : null
}

/** The fields that an object at a pointer has by the type that it names. */
export const parametersAt = (all: readonly ParametersView[], pointer: string, holder: unknown): Field[] =>
    (typeAt(all, pointer, holder)?.known ?? []).map(({ name, title, unit, least, most, usual }) => ({
        name,
        pointer: `${pointer}/${name}`,
        title,
        help: '',
        group: '',
        isRequired: false,
        type: 'number',
        unit,
        choices: [],
        minimum: least ?? undefined,
        maximum: most ?? undefined,
        isWhole: false,
        default: usual ?? undefined,
        isBroughtIn: true,
        fields: [],
        examples: [],
        oneOf: [],
    }))

/** The fields that an object of an entry may have: those of its kind, then those of its type. */
export function fieldsIn({ schema, parameters }: Known, root: unknown, steps: readonly string[]): Field[] {
    const pointer = steps.map((step) => `/${step}`).join('')
    const own = steps.length === 0 ? fieldsOf(schema) : (fieldAt(fieldsOf(schema), steps)?.fields ?? [])
    return [...own, ...parametersAt(parameters, pointer, valueAt(root, pointer))]
}

/** The object with parameters that a pointer leads into, or past in the same item of a list; null for none. */
export function holderOf(all: readonly ParametersView[], pointer: string): string | null {
    const steps = pathOf(pointer)
    for (const { field } of all) {
        const wanted = pathOf(field)
        const item = wanted.lastIndexOf('*') + 1
        const isInside = wanted.slice(0, item || wanted.length).every((step, at) => step === '*' || step === steps[at])
        if (isInside && steps.length > item)
            return wanted.map((step, at) => `/${step === '*' ? steps[at]! : step}`).join('')
    }
    return null
}
