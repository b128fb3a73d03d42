import { CompletionContext } from '@codemirror/autocomplete'
import { EditorState } from '@codemirror/state'
import { describe, expect, it } from 'vitest'
import { completionsAt } from '@/stops/define/completions'
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
