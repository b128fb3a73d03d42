import { describe, expect, it } from 'vitest'
import { coverageOf, numbersOf } from '@/shared/coverage'
import type { SectionColumn } from '@/api/client'

const column = (over: Partial<SectionColumn>): SectionColumn => ({
    place: 'surface',
    title: 'Surfaces',
    family: 'Grounds',
    inBase: 9120,
    overrides: 0,
    copies: 0,
    additions: 0,
    isPartial: false,
    findings: { blocker: 0, warning: 0, note: 0 },
    ...over,
})

describe('What a pack supplies of a place', () => {
    it('is told in numbers that are read at once, however large', () => {
        expect(coverageOf(column({ overrides: 1203, copies: 1200, additions: 10000 }))).toBe(
            '1,203 of 9,120 overridden, 1,200 copies of the base, 10,000 added',
        )
    })

    it('has its findings beside it, and says where there is nothing', () => {
        const findings = { blocker: 1, warning: 0, note: 2400 }
        expect(numbersOf(column({ overrides: 1, isPartial: true, findings }))).toBe(
            '1 of 9,120 changed in part, 1 blocker, 2,400 notes',
        )
        expect(numbersOf(column({ place: 'elsewhere' }))).toBe('nothing yet')
        expect(numbersOf(column({ place: 'elsewhere', additions: 1 }))).toBe('1 file')
    })
})
