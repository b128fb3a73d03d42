import { describe, expect, it } from 'vitest'
import { hoverAt } from '@/stops/define/hover'

const schema = {
    required: ['made_of'],
    properties: {
        made_of: { type: 'string', title: 'Made of', description: 'The material.' },
        ember: { type: 'number', title: 'Ember', minimum: 0, maximum: 1, default: 0 },
        price: { type: 'integer', minimum: 1, 'x-underlay-unit': 'pence' },
        uses: {
            type: 'array',
            title: 'Uses',
            items: { type: 'object', properties: { ware: { type: 'string', title: 'Ware', description: 'By id.' } } },
        },
        suits: { type: 'object', title: 'Suits', additionalProperties: { type: 'integer', minimum: -3, maximum: 3 } },
    },
}
const choice = (value: string, name: string, group = '', fromPack = false) => ({
    value,
    name,
    group,
    fromPack,
    picture: null,
    sound: null,
})
const choices = {
    '/made_of': [choice('red_clay', 'Red clay', 'clay')],
    '/uses/*/ware': [choice('a.cup', 'Cup', '', true)],
}
const known = { schema, choices, parameters: [] }
const text =
    '{ "made_of": "red_clay", "ember": 0.5, "price": 4, "uses": [{ "ware": "a.cup" }], "suits": { "harvest": 2 }, "x": 1 }'
const at = (part: string) => hoverAt(text, text.indexOf(part) + 1, known)

describe('help under the mouse', () => {
    it('says what a field is, its range, unit and what stands when it is left out', () => {
        expect(at('"made_of"')).toMatchObject({ title: 'Made of', lines: ['The material.'] })
        expect(at('"ember"')?.lines).toEqual(['0 to 1, 0 when left out', 'May be left out.'])
        expect(at('"price"')?.lines).toEqual(['1 or more, in pence', 'May be left out.'])
    })

    it('says what a code stands for, in lists too', () => {
        const found = at('"red_clay"')
        expect(found?.lines).toEqual(['Red clay · red_clay, clay', 'The material.'])
        expect(text.slice(found!.from, found!.to)).toBe('"red_clay"')
        expect(at('"a.cup"')?.lines[0]).toBe('Cup · a.cup, yours')
    })

    it('says what a key of a map may have', () => expect(at('"harvest"')?.lines[0]).toBe('-3 to 3'))

    it('says nothing where nothing is known, or nothing stands', () => {
        expect(at('"x"')).toBeNull()
        expect(hoverAt(text, 0, known)).toBeNull()
        expect(hoverAt('{ "made_of": ', 13, known)).toBeNull()
    })
})
