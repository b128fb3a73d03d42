import { describe, expect, it } from 'vitest'
import { rowOf } from '@/stops/define/sketch/scale'

describe('things to scale', () => {
    const sketch = {
        height: '/height_cm',
        foot: '/foot_cm',
        shape: '/shape',
        outlines: {
            cup: [
                [0, 0.5],
                [1, 1],
            ],
            jar: [
                [0, 0.25],
                [0.5, 1],
                [1, 0.5],
            ],
        } as never,
    }
    const ware = (shape: string, height: number, foot: number) => ({ shape, height_cm: height, foot_cm: foot })
    const sibling = (title: string, value: unknown) => ({ title, path: title, value })

    it('are as high and wide as they say, the foot at the first radius', () => {
        const [one] = rowOf(sketch, ware('cup', 8, 5), [])!
        expect(one).toMatchObject({ height: 8, foot: 5, width: 10, isOwn: true })
        expect(one!.points).toBe('2.5,8 5,0 -5,0 -2.5,8')
    })

    it('stand by height, the nearest of the base beside, without overlap', () => {
        const siblings = Array.from({ length: 20 }, (_, index) => sibling(`s${index}`, ware('jar', 3 + index, 4)))
        const row = rowOf(sketch, ware('cup', 10, 5), siblings)!
        expect(row).toHaveLength(7)
        expect(row.map((one) => one.height)).toEqual([7, 8, 9, 10, 10, 11, 12].toSorted((a, b) => a - b))
        for (let i = 1; i < row.length; i++) expect(row[i]!.x).toBeGreaterThanOrEqual(row[i - 1]!.x + row[i - 1]!.width)
    })

    it('leave out what has no size or outline, and draw nothing where the entry has none', () => {
        const odd = [
            sibling('a', {}),
            sibling('b', ware('plate', 2, 9)),
            sibling('c', ware('jar', -1, 3)),
            sibling('d', 4),
        ]
        expect(rowOf(sketch, ware('cup', 8, 5), odd)).toHaveLength(1)
        for (const value of [null, {}, ware('plate', 3, 3), ware('cup', 0, 5), { ...ware('cup', 1, 1), foot_cm: 'x' }])
            expect(rowOf(sketch, value, odd)).toBeNull()
    })
})
