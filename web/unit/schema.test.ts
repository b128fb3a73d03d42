import { describe, expect, it } from 'vitest'
import {
    anyItem,
    fieldOf,
    fieldsOf,
    flat,
    isTold,
    newItem,
    pathOf,
    stepsIn,
    valueAt,
    valueKindOf,
} from '@/stops/define/schema'
import { asHex, hexOf, oklchOf } from '@/shared/colour'
import { bytes, count, pixels } from '@/shared/words'

describe('fieldsOf', () => {
    const schema = {
        required: ['b'],
        properties: {
            a: { type: 'integer', minimum: 1, 'x-underlay-unit': 'cm' },
            b: { enum: ['x', 2] },
            made_of: { type: 'string', title: 'Made of' },
            'odd/name~': { type: 'object', properties: { inner: { type: 'boolean' } } },
            colour: { type: 'string', 'x-underlay-colour': 'hex' },
            list: { type: 'array' },
        },
    }
    const fields = fieldsOf(schema)

    it('puts required fields first', () => expect(fields[0]).toMatchObject({ name: 'b', isRequired: true }))

    it.each([
        ['a', 'number'],
        ['b', 'choice'],
        ['made_of', 'string'],
        ['odd/name~', 'object'],
        ['colour', 'colour'],
        ['list', 'other'],
    ])('knows what %s is: %s', (name, type) => expect(fields.find((f) => f.name === name)!.type).toBe(type))

    it('escapes names in pointers, and reads them back (RFC 6901)', () => {
        const inner = fields.find((f) => f.name === 'odd/name~')!.fields[0]!
        expect(inner.pointer).toBe('/odd~1name~0/inner')
        expect(pathOf(inner.pointer)).toEqual(['odd/name~', 'inner'])
        expect(valueAt({ 'odd/name~': { inner: true } }, inner.pointer)).toBe(true)
    })

    it('gives nothing for a value that is not there', () => {
        expect(valueAt({ a: 1 }, '/a/b')).toBeUndefined()
        expect(valueAt(null, '/a')).toBeUndefined()
    })

    it('tells kinds whose keys are names', () => {
        expect(valueKindOf(schema)).toBeNull()
        expect(valueKindOf({ additionalProperties: { type: 'string' } })).toEqual({ type: 'string' })
    })
})

describe('lists and maps', () => {
    const schema = {
        properties: {
            uses: {
                type: 'array',
                items: {
                    type: 'object',
                    required: ['amount', 'how'],
                    oneOf: [{ required: ['ware'] }, { required: ['material'] }],
                    properties: {
                        ware: { type: 'string' },
                        material: { type: 'string' },
                        amount: { type: 'number', minimum: 0 },
                        how: { enum: ['raw', 'fired'] },
                        strokes: { type: 'array', items: { type: 'string' } },
                    },
                },
            },
            suits: { type: 'object', additionalProperties: { type: 'integer', minimum: -3 } },
        },
    }
    const [uses, suits] = fieldsOf(schema)

    it('are told from objects', () => {
        expect([uses!.type, suits!.type]).toEqual(['list', 'map'])
        expect(uses!.each).toBe(schema.properties.uses.items)
        expect(suits!.each).toEqual({ type: 'integer', minimum: -3 })
        expect(flat([uses!, suits!])).toEqual([uses, suits])
    })
    it('tell what is wrong inside of them', () => {
        expect(isTold(uses!, '/uses/3/ware')).toBe(true)
        expect(isTold(suits!, '/suits/fair')).toBe(true)
        expect([isTold(uses!, '/usesless'), isTold(uses!, '/makes/0')]).toEqual([false, false])
    })
    it('begin an item with what it has to have', () => {
        expect(newItem(uses!.each!)).toEqual({ amount: 1, how: 'raw' })
        expect([newItem(suits!.each!), newItem({ type: 'string' })]).toEqual([-3, ''])
    })
    it('are led into by numbers', () => {
        const root = { uses: [{ ware: 'a' }, { ware: 'b' }], suits: { '1': 2 } }
        expect(stepsIn(root, '/uses/1/ware')).toEqual(['uses', 1, 'ware'])
        expect(stepsIn(root, '/suits/1')).toEqual(['suits', '1'])
        expect(stepsIn(root, '/new/0')).toEqual(['new', '0'])
        expect(anyItem('/peals/0/strokes/12/audio')).toBe('/peals/*/strokes/*/audio')
    })
})

describe('colours', () => {
    it.each([
        ['#2F8F86', '#2f8f86'],
        ['2f8', '#22ff88'],
        ['red', null],
        ['#12345', null],
    ])('%s is %s', (text, hex) => expect(asHex(text)).toBe(hex))

    it('come back the same from OKLCH', () => {
        for (let colour = 0; colour < 0x1000000; colour += 0x010307) {
            const hex = `#${colour.toString(16).padStart(6, '0')}`
            expect(hexOf(oklchOf(hex))).toBe(hex)
        }
    })
})

describe('words', () => {
    it('count things', () =>
        expect([count(1, 'file'), count(1200, 'copy', 'copies')]).toEqual(['1 file', '1,200 copies']))
    it('say lengths and sizes', () => {
        expect([0, 1023, 2048, 5_000_000].map(bytes)).toEqual(['0 B', '1023 B', '2 KB', '4.8 MB'])
        expect([pixels({ width: 56, height: 64 }), pixels(null)]).toEqual(['56 x 64', ''])
    })
})

describe('what a kind says of a field', () => {
    it('is one text: what it is, what is usual, what values mean, since when, and who sees it', () => {
        const field = fieldOf(
            'rim',
            {
                type: 'string',
                description: 'Poured where the mask is red.',
                'x-underlay-means': { '#000000': 'as the body, not black' },
                'x-underlay-usual': [1, 3],
                'x-underlay-since': '4.0',
                'x-underlay-seen': 'nobody',
                'x-underlay-group': 'Colours',
            },
            '',
            true,
        )
        expect(field.help).toBe(
            'Poured where the mask is red. Usually 1 to 3. #000000 means as the body, not black. From 4.0 on. Players do not see it.',
        )
        expect(field.group).toBe('Colours')
        expect(fieldOf('x', {}, '', false)).toMatchObject({ help: '', group: '' })
    })
})
