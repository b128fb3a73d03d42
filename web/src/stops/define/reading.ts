import { parse, type ParseError } from 'jsonc-parser'

/** What can be read of a text up to its first fault. */
export function readUpTo(text: string): { value: unknown; brokenAt: number | null } {
    const errors: ParseError[] = []
    const whole: unknown = parse(text, errors)
    const isObject = (found: unknown) => typeof found === 'object' && found !== null
    if (errors.length === 0) return { value: isObject(whole) ? whole : null, brokenAt: null }
    const sound = text.slice(0, errors[0]!.offset)
    const part: unknown = parse(sound)
    return { value: isObject(part) ? part : null, brokenAt: sound.split('\n').length }
}
