import { describe, expect, it } from 'vitest'
import { differences, fieldWords, shortly } from '@/stops/define/differences'

describe('what differs from the base', () => {
    it('is told value by value, a list as one', () => {
        const below = { price: 45, under: { surface: 'moss', share: 0.3 }, suits: [1], same: true }
        const value = {
            price: 60,
            under: { surface: 'moss', share: 0.5 },
            suits: [1, 2],
            same: true,
            glaze: 'moor.milk',
        }
        expect(differences(below, value)).toEqual([
            { pointer: '/price', was: 45, now: 60 },
            { pointer: '/under/share', was: 0.3, now: 0.5 },
            { pointer: '/suits', was: [1], now: [1, 2] },
            { pointer: '/glaze', was: undefined, now: 'moor.milk' },
        ])
    })

    it('knows what is left out, whole objects too', () => {
        expect(differences({ under: { share: 1 } }, {})).toEqual([{ pointer: '/under/share', was: 1, now: undefined }])
        expect(differences({ a: 1 }, { a: 1 })).toEqual([])
    })

    it('is said shortly', () => {
        expect(['/under/surface', '/foot_cm', '/a~1b'].map(fieldWords)).toEqual(['under · surface', 'foot cm', 'a/b'])
        expect([undefined, 45, [1], []].map(shortly)).toEqual(['left out', '45', '1 item', '0 items'])
    })
})
