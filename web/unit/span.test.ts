import { describe, expect, it } from 'vitest'
import { across, moved, zoomed } from '@/stops/shape/span'

describe('what is seen of a sound', () => {
    it('comes closer around a moment, which stays where it is', () => {
        const before = { from: 0, to: 8 }
        const after = zoomed(before, 0.5, 2, 8)
        expect(after).toEqual({ from: 1, to: 5 })
        expect(across(2, after)).toBe(across(2, before))
    })

    it('never shows what is beside the sounds, and comes back to the whole', () => {
        let span = { from: 0, to: 8 }
        for (const at of [8, 0, 3.3, 7.9]) span = zoomed(span, 0.5, at, 8)
        for (let i = 0; i < 6; i++) {
            span = zoomed(span, 2, 7.5, 8)
            expect(span.from).toBeGreaterThanOrEqual(0)
            expect(span.to).toBeLessThanOrEqual(8)
        }
        expect(span).toEqual({ from: 0, to: 8 })
    })

    it('ends at single samples, also of a sound that is shorter', () => {
        let span = { from: 0, to: 2 }
        for (let i = 0; i < 40; i++) span = zoomed(span, 0.5, 1, 2)
        expect(span.to - span.from).toBeCloseTo(0.01)
        expect(zoomed({ from: 0, to: 0.004 }, 0.5, 0, 0.004)).toEqual({ from: 0, to: 0.004 })
    })

    it('goes along, and stops at the ends', () => {
        expect(moved({ from: 1, to: 2 }, 4.5, 8)).toEqual({ from: 4.5, to: 5.5 })
        expect(moved({ from: 1, to: 2 }, 99, 8)).toEqual({ from: 7, to: 8 })
        expect(moved({ from: 1, to: 2 }, -1, 8)).toEqual({ from: 0, to: 1 })
    })
})
