import { CompletionContext } from '@codemirror/autocomplete'
import { EditorState } from '@codemirror/state'
import { describe, expect, it } from 'vitest'
import { completionsAt } from '@/stops/define/completions'
import { templateOf } from '@/stops/define/examples'
import { hoverAt } from '@/stops/define/hover'
import { fieldsIn, holderOf, parametersAt } from '@/stops/define/parameters'

const number = (name: string, title: string, unit = '', least: number | null = 0, most: number | null = 1) => ({
    name,
    title,
    unit,
    least,
    most,
    usual: 0.5,
})
const schema = {
    properties: {
        body: { type: 'string', title: 'Body' },
        reactions: {
            type: 'array',
            items: {
                type: 'object',
                properties: {
                    from_c: { type: 'number', title: 'From' },
                    gives: { type: 'object', properties: { type: { type: 'string', title: 'Type' } } },
                },
            },
        },
    },
}
const parameters = [
    {
        field: '/reactions/*/gives',
        by: 'type',
        types: { drip: [number('length_mm', 'Length', 'mm', 1, 40)], crackle: [number('fineness', 'Fineness')] },
    },
]
const known = { schema, choices: {}, parameters }
const glaze = {
    body: '#123456',
    reactions: [
        { from_c: 900, gives: { type: 'drip', length_mm: 9 } },
        { from_c: 1100, gives: { type: 'crackle' } },
    ],
}

describe('the parameters of a type', () => {
    it('are those of the type that the object names', () => {
        const at = (index: number) =>
            parametersAt(parameters, `/reactions/${index}/gives`, glaze.reactions[index]!.gives)
        expect(at(0)).toMatchObject([{ pointer: '/reactions/0/gives/length_mm', unit: 'mm', minimum: 1, maximum: 40 }])
        expect(at(1).map(({ name }) => name)).toEqual(['fineness'])
    })

    it('are none where no type is named, or one that is not known', () => {
        for (const gives of [undefined, null, {}, { type: 3 }, { type: 'nothing' }, 'drip'])
            expect(parametersAt(parameters, '/reactions/0/gives', gives)).toEqual([])
        expect(parametersAt(parameters, '/body', { type: 'drip' })).toEqual([])
    })

    it('stand behind the fields of the kind', () => {
        const names = (steps: string[]) => fieldsIn(known, glaze, steps).map(({ name }) => name)
        expect(names(['reactions', '0', 'gives'])).toEqual(['type', 'length_mm'])
        expect(names([])).toEqual(['body', 'reactions'])
    })

    it('belong to all that stands in the same row', () => {
        expect(holderOf(parameters, '/reactions/1/from_c')).toBe('/reactions/1/gives')
        expect(holderOf(parameters, '/reactions/1/gives/fineness')).toBe('/reactions/1/gives')
        expect(holderOf(parameters, '/reactions')).toBeNull()
        expect(holderOf(parameters, '/body')).toBeNull()
    })

    it('are completed and explained in the text', () => {
        const text = '{ "reactions": [{ "gives": { "type": "drip", "len": 9 } }] }'
        const context = new CompletionContext(EditorState.create({ doc: text }), text.indexOf('len') + 3, true)
        expect(completionsAt(context, known)?.options.map(({ label }) => label)).toEqual(['"type"', '"length_mm"'])
        const whole = text.replace('len', 'length_mm')
        expect(hoverAt(whole, whole.indexOf('length_mm') + 2, known)).toMatchObject({
            title: 'Length',
            lines: ['1 to 40, in mm, 0.5 when left out', 'May be left out.'],
        })
    })
})

describe('an example in the text', () => {
    it('is the value, with the places to be filled in turn', () => {
        const value = { from_c: 1180, air: 'any', gives: { type: 'drip', length_mm: 8 }, list: ['a', 2] }
        const written = templateOf({ title: 'Drips', value, fill: ['/from_c', '/air', '/gives/length_mm', '/list/1'] })
        expect(written.split('\n').map((line) => line.trim())).toContain('"from_c": ${1180},')
        expect(written).toContain('"air": "${any}"')
        expect(written).toContain('"type": "drip"')
        // Without the marks it reads as the value that it is.
        expect(JSON.parse(written.replaceAll(/\$\{([^}]*)\}/g, '$1'))).toEqual(value)
    })

    it('is offered where an item of the list may stand', () => {
        const list = {
            ...schema.properties.reactions,
            'x-underlay-examples': [{ title: 'Drips', value: {}, fill: [] }],
        }
        const text = '{ "reactions": [ ] }'
        const context = new CompletionContext(EditorState.create({ doc: text }), text.indexOf('[') + 2, true)
        const found = completionsAt(context, { ...known, schema: { properties: { reactions: list } } })
        expect(found?.options.map(({ label }) => label)).toEqual(['Drips'])
    })
})
