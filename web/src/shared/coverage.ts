import type { SectionColumn } from '@/api/client'
import { count, whole } from './words'

/** What a pack supplies of a place, in words: "3 of 40 changed, 2 as in the base, 1 added". */
export function coverageOf(column: SectionColumn): string {
    if (column.place === 'elsewhere' || column.place === 'manifest') return ''
    return [
        column.isPartial
            ? `${whole(column.overrides)} of ${whole(column.inBase)} changed in part`
            : `${whole(column.overrides)} of ${whole(column.inBase)} overridden`,
        column.copies > 0 ? `${count(column.copies, 'copy', 'copies')} of the base` : '',
        column.additions > 0 ? `${whole(column.additions)} added` : '',
    ]
        .filter(Boolean)
        .join(', ')
}

/** All the numbers of a column, its findings too, in words. */
export function numbersOf(column: SectionColumn): string {
    const parts = [
        coverageOf(column) || (column.additions > 0 ? count(column.additions, 'file') : ''),
        column.findings.blocker > 0 ? count(column.findings.blocker, 'blocker') : '',
        column.findings.warning > 0 ? count(column.findings.warning, 'warning') : '',
        column.findings.note > 0 ? count(column.findings.note, 'note') : '',
    ]
    return parts.filter(Boolean).join(', ') || 'nothing yet'
}
