/** One property of a kind's schema (JSON Schema 2020-12), as a form needs it. */
export interface Field {
    name: string
    pointer: string
    title: string
    help: string
    isRequired: boolean
    type: 'string' | 'number' | 'boolean' | 'choice' | 'colour' | 'oklch' | 'object' | 'other'
    unit: string
    choices: string[]
    minimum?: number
    maximum?: number
    isWhole: boolean
    default?: unknown
    fields: Field[]
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
    'x-underlay-colour'?: 'hex' | 'oklch'
    'x-underlay-unit'?: string
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
        help: property.description ?? '',
        isRequired,
        type: typeOf(property),
        unit: property['x-underlay-unit'] ?? '',
        choices: (property.enum ?? []).map(String),
        minimum: property.minimum,
        maximum: property.maximum,
        isWhole: property.type === 'integer',
        default: property.default,
        fields: property.type === 'object' ? fieldsOf(property, pointer) : [],
    }
}

function typeOf(property: Property): Field['type'] {
    if (property['x-underlay-colour']) return property['x-underlay-colour'] === 'hex' ? 'colour' : 'oklch'
    if (property.enum) return 'choice'
    if (property.type === 'integer' || property.type === 'number') return 'number'
    if (property.type === 'string' || property.type === 'boolean') return property.type
    return property.type === 'object' && property.properties ? 'object' : 'other'
}

/** The value at a pointer, or undefined. */
export function valueAt(root: unknown, pointer: string): unknown {
    let value = root
    for (const step of pathOf(pointer)) {
        if (typeof value !== 'object' || value === null) return undefined
        value = (value as Record<string, unknown>)[step]
    }
    return value
}

/** The steps of a pointer (RFC 6901). */
export const pathOf = (pointer: string) =>
    pointer
        .split('/')
        .slice(1)
        .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'))
