import type { Choice, FaultView } from '@/api/client'

/** One property of a kind's schema (JSON Schema 2020-12), as a form needs it. */
export interface Field {
    name: string
    pointer: string
    title: string
    help: string
    isRequired: boolean
    type: 'string' | 'number' | 'boolean' | 'choice' | 'colour' | 'oklch' | 'object' | 'list' | 'map' | 'other'
    unit: string
    choices: string[]
    minimum?: number
    maximum?: number
    isWhole: boolean
    default?: unknown
    /** A number outside the range counts as the nearest in it, and is no fault. */
    isBroughtIn?: boolean
    /** Under what it stands in a form; empty for nothing. */
    group: string
    /** What one would rather have of a number. */
    better?: 'more' | 'less'
    fields: Field[]
    /** What each item of a list or each key of a map holds. */
    each?: Property
    /** Items of a list to begin from. */
    examples: Example[]
    /** Names of fields of which an object has exactly one. */
    oneOf: string[]
}

/** A value to begin from. */
export interface Example {
    title: string
    value: unknown
    /** Pointers in it to what only holds a place. */
    fill: string[]
}

/** What each part of a form is given: the entry as it stands, and what is known of it. */
export interface FieldProps {
    pack: string
    field: Field
    value: unknown
    faults: readonly FaultView[]
    /** By pointer, each item of a list as any: what a field may name. */
    choices: Record<string, Choice[]>
}

export interface Property {
    type?: string
    enum?: unknown[]
    title?: string
    description?: string
    minimum?: number
    maximum?: number
    default?: unknown
    properties?: Record<string, Property>
    additionalProperties?: Property | boolean
    required?: string[]
    items?: Property
    oneOf?: { required?: string[] }[]
    'x-underlay-colour'?: 'hex' | 'oklch'
    'x-underlay-examples'?: Example[]
    'x-underlay-group'?: string
    'x-underlay-usual'?: [number, number]
    'x-underlay-means'?: Record<string, string>
    'x-underlay-since'?: string
    'x-underlay-until'?: string
    'x-underlay-seen'?: 'players' | 'nobody'
    'x-underlay-unit'?: string
    'x-underlay-better'?: 'more' | 'less'
}

/** The fields of a kind, those that it requires first. */
export function fieldsOf(schema: unknown, above = ''): Field[] {
    const { properties = {}, required = [] } = schema as Property
    const fields = Object.entries(properties).map(([name, property]) =>
        fieldOf(name, property, above, required.includes(name)),
    )
    return fields.sort((a, b) => Number(b.isRequired) - Number(a.isRequired))
}

/** What each key of an entry holds whose keys are names or codes; null where a kind names its fields. */
export function valueKindOf(schema: unknown): Property | null {
    const { properties, additionalProperties } = schema as Property
    return !properties && typeof additionalProperties === 'object' ? additionalProperties : null
}

export function fieldOf(name: string, property: Property, above: string, isRequired: boolean): Field {
    const pointer = `${above}/${name.replaceAll('~', '~0').replaceAll('/', '~1')}`
    return {
        name,
        pointer,
        title: property.title ?? name.charAt(0).toUpperCase() + name.slice(1).replaceAll('_', ' '),
        help: helpOf(property),
        group: property['x-underlay-group'] ?? '',
        isRequired,
        type: typeOf(property),
        unit: property['x-underlay-unit'] ?? '',
        choices: (property.enum ?? []).map(String),
        minimum: property.minimum,
        maximum: property.maximum,
        isWhole: property.type === 'integer',
        default: property.default,
        better: property['x-underlay-better'],
        fields: property.type === 'object' ? fieldsOf(property, pointer) : [],
        each: property.items ?? (isMap(property) ? (property.additionalProperties as Property) : undefined),
        examples: property['x-underlay-examples'] ?? [],
        oneOf: (property.oneOf ?? []).flatMap((form) => form.required ?? []),
    }
}

/** All that a kind says of a field, in sentences. */
function helpOf(property: Property): string {
    const usual = property['x-underlay-usual']
    const { 'x-underlay-since': since, 'x-underlay-until': until, 'x-underlay-seen': seen } = property
    return [
        property.description,
        usual && `Usually ${usual[0]} to ${usual[1]}.`,
        ...Object.entries(property['x-underlay-means'] ?? {}).map(([value, says]) => `${value} means ${says}.`),
        since && `From ${since} on.`,
        until && `Until ${until}.`,
        seen && (seen === 'players' ? 'Players see it.' : 'Players do not see it.'),
    ]
        .filter(Boolean)
        .join(' ')
}

function typeOf(property: Property): Field['type'] {
    if (property['x-underlay-colour']) return property['x-underlay-colour'] === 'hex' ? 'colour' : 'oklch'
    if (property.enum) return 'choice'
    if (property.type === 'integer' || property.type === 'number') return 'number'
    if (property.type === 'string' || property.type === 'boolean') return property.type
    if (property.type === 'array' && property.items) return 'list'
    if (isMap(property)) return 'map'
    return property.type === 'object' && property.properties ? 'object' : 'other'
}

const isMap = ({ type, properties, additionalProperties }: Property) =>
    type === 'object' && !properties && typeof additionalProperties === 'object'

/** A round step of which a range has a hundred and more. */
export const stepOf = (range: number) => 10 ** Math.floor(Math.log10(range / 100))

/** The pointer as choices are kept by: each item of a list as any. */
export const anyItem = (pointer: string) => pointer.replaceAll(/\/\d+(?=\/|$)/g, '/*')

/** A new item of a list, with what it has to have and may not be left empty. */
export function newItem(each: Property): unknown {
    if (each.type !== 'object') return each.type === 'number' || each.type === 'integer' ? (each.minimum ?? 0) : ''
    const item: Record<string, unknown> = {}
    for (const name of each.required ?? []) {
        const property = each.properties?.[name]
        if (property?.enum) item[name] = property.enum[0]
        else if (property?.type === 'array') item[name] = []
        else if (property?.type === 'object') item[name] = newItem(property)
        else if (property?.type === 'number' || property?.type === 'integer')
            item[name] = Math.max(1, property.minimum ?? 0)
        else item[name] = ''
    }
    return item
}

/** The fields of a form without those that only hold others. */
export const flat = (list: readonly Field[]): Field[] =>
    list.flatMap((field) => (field.fields.length > 0 ? flat(field.fields) : [field]))

/** True where a field tells a fault beside itself: its own, and those inside of lists and maps. */
export const isTold = (field: Field, pointer: string) =>
    field.pointer === pointer ||
    ((field.type === 'list' || field.type === 'map') && pointer.startsWith(`${field.pointer}/`))

/** The value at a pointer, or undefined. */
export function valueAt(root: unknown, pointer: string): unknown {
    let value = root
    for (const step of pathOf(pointer)) {
        if (typeof value !== 'object' || value === null) return undefined
        value = (value as Record<string, unknown>)[step]
    }
    return value
}

/** The steps of a pointer into a value: numbers where they lead into a list. */
export function stepsIn(root: unknown, pointer: string): (string | number)[] {
    let value = root
    return pathOf(pointer).map((step) => {
        const now = Array.isArray(value) ? Number(step) : step
        value = (value as Record<string | number, unknown> | undefined)?.[now]
        return now
    })
}

/** The steps of a pointer (RFC 6901). */
export const pathOf = (pointer: string) =>
    pointer
        .split('/')
        .slice(1)
        .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'))

/** A text as JSON; null where it is none. */
export function parsed(text: string): unknown {
    try {
        return JSON.parse(text)
    } catch {
        return null
    }
}

/** The field at the end of steps into an entry; an item of a list, or a key of a map, is one. */
export function fieldAt(fields: readonly Field[], steps: readonly string[]): Field | undefined {
    const [first, ...rest] = steps
    const field = fields.find((f) => f.name === first)
    if (rest.length === 0 || !field) return field
    if (!field.each) return fieldAt(field.fields, rest)
    // An item of a list, or a key of a map.
    const [item, ...inner] = rest
    const each = fieldOf(item!, field.each, field.pointer, false)
    return inner.length === 0 ? each : fieldAt(each.fields, inner)
}
