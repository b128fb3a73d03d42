import { pathOf, type Example } from './schema'

/** An example as a snippet: Tab goes through what only holds a place. */
export function templateOf({ value, fill }: Example): string {
    const steps = fill.map(pathOf)
    const write = (part: unknown, path: readonly string[], indent: string): string => {
        const inner = `${indent}  `
        if (Array.isArray(part))
            return `[\n${part.map((item, at) => inner + write(item, [...path, String(at)], inner)).join(',\n')}\n${indent}]`
        if (typeof part === 'object' && part !== null) {
            const fields = Object.entries(part).map(
                ([name, held]) => `${inner}${JSON.stringify(name)}: ${write(held, [...path, name], inner)}`,
            )
            return `{\n${fields.join(',\n')}\n${indent}}`
        }
        const isPlace = steps.some((one) => one.length === path.length && one.every((step, at) => step === path[at]))
        if (!isPlace) return JSON.stringify(part)
        return typeof part === 'string' ? `"\${${part}}"` : `\${${JSON.stringify(part)}}`
    }
    return write(value, [], '')
}
