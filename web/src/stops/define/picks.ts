import type { Choice } from '@/api/client'

/** What people call it, with what is written of it. */
export const nameOf = ({ name, value }: Choice) => (name && name !== value ? `${name} · ${value}` : value)

/** Above so many a list is searched and no longer read. */
export const fewChoices = 8

/**
 * Those in which every word that is typed is found, in the code, the name or the group; what begins with it comes first, else they stay
 * as they are.
 */
export function found(choices: readonly Choice[], words: string): Choice[] {
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
    const first = wanted[0]
    const textOf = ({ value, name, group }: Choice) => `${value} ${name} ${group}`.toLowerCase()
    const begins = ({ value, name }: Choice) =>
        first !== undefined && [value, name].some((text) => text.toLowerCase().startsWith(first))
    const fitting = choices.filter((choice) => wanted.every((word) => textOf(choice).includes(word)))
    return [...fitting.filter(begins), ...fitting.filter((choice) => !begins(choice))]
}
