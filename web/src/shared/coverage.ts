import type { SectionColumn } from '@/api/client'
import { count } from './words'

/** What a pack supplies of a place, in words: "3 of 40 changed, 2 as in the base, 1 added". */
export function coverageOf(column: SectionColumn): string {
    if (column.place === 'elsewhere' || column.place === 'manifest') return ''
    return [
        column.isPartial
            ? `${column.overrides} of ${column.inBase} changed in part`
            : `${column.overrides} of ${column.inBase} overridden`,
        column.copies > 0 ? `${count(column.copies, 'copy', 'copies')} of the base` : '',
        column.additions > 0 ? `${column.additions} added` : '',
    ]
        .filter(Boolean)
        .join(', ')
}
