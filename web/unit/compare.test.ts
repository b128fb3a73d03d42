import { describe, expect, it } from 'vitest'
import { compared, ratios } from '@/stops/define/compare'

const schema = {
    properties: {
        id: { type: 'string' },
        price: { type: 'integer', title: 'Price', 'x-underlay-unit': 'pence', 'x-underlay-better': 'less' },
        volume_ml: { type: 'number', title: 'Volume', 'x-underlay-better': 'more' },
        foot_cm: { type: 'number' },
        suits: { type: 'object', additionalProperties: { type: 'integer' } },
    },
    'x-underlay-ratios': [
        { title: 'Volume to foot', of: 'volume_ml', to: 'foot_cm' },
        { title: 'Price to volume', of: 'price', to: 'volume_ml' },
    ],
}
const theirs = { id: 'a.b', price: 5, volume_ml: 200, foot_cm: 5, suits: { harvest: 1 } }

describe('an entry beside another', () => {
    it('differs in fields, better or worse in those that count', () => {
        const mine = { id: 'c.d', price: 7, volume_ml: 300, foot_cm: 6, suits: { harvest: 1, wedding: 2 } }
        expect(compared(schema, theirs, mine, ['/id']).map(({ pointer, is }) => [pointer, is])).toEqual([
            ['/price', 'worse'],
            ['/volume_ml', 'better'],
            ['/foot_cm', ''],
            ['/suits/wedding', ''],
        ])
        expect(compared(schema, theirs, mine, ['/id'])[0]).toMatchObject({
            title: 'Price',
            unit: 'pence',
            was: 5,
            now: 7,
        })
    })

    it('is weighed up only where both have a number', () =>
        expect(compared(schema, theirs, { ...theirs, price: undefined }, [])[0]).toMatchObject({
            is: '',
            now: undefined,
        }))

    it('has quotients where one of both has the numbers, and none over nothing', () => {
        expect(ratios(schema, theirs, { volume_ml: 300, foot_cm: 6 })).toEqual([
            { title: 'Volume to foot', theirs: 40, yours: 50 },
            { title: 'Price to volume', theirs: 0.025, yours: null },
        ])
        expect(ratios(schema, { volume_ml: 3, foot_cm: 0 }, {})).toEqual([])
        expect(ratios({}, theirs, theirs)).toEqual([])
    })
})
