import type { TextList, TextView } from '@/api/client'

export interface TextFilter {
    key: string
    title: string
    /** What a text is that it lets through. */
    holds: (text: TextView) => boolean
}

const isOwn = (text: TextView) => text.isYours || text.isOwners

/** What an author looks for among texts; the first is what is shown when nothing is asked for. */
export const filters: TextFilter[] = [
    { key: 'yours', title: 'Yours', holds: isOwn },
    { key: 'missing', title: 'Missing', holds: (text) => text.path !== null && !text.says[0] },
    { key: 'raw', title: 'Not in every language', holds: (text) => isOwn(text) && text.says.some((says) => !says) },
    { key: 'original', title: 'Still the original’s', holds: (text) => text.originals.some(Boolean) },
    { key: 'loose', title: 'For nothing', holds: (text) => text.path === null },
    { key: 'all', title: 'All, with the base’s', holds: () => true },
]

/**
 * The texts that a filter lets through and that say or are called what is looked for, and those that `stay` whatever they say by now:
 * a row that leaves as soon as its first language is right takes the cell of the second from under the author's hand.
 */
export function select({ texts }: TextList, filter: string, words: string, stay: ReadonlySet<string>): TextView[] {
    const { holds } = filters.find(({ key }) => key === filter) ?? filters[0]!
    const wanted = words.trim().toLowerCase()
    return texts.filter(
        (text) =>
            stay.has(text.key) ||
            (holds(text) && [text.key, text.owner ?? '', ...text.says].join('\n').toLowerCase().includes(wanted)),
    )
}
