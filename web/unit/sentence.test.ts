import { describe, expect, it } from 'vitest'
import { sentenceOf } from '@/stops/define/sketch/recipe'

describe('a recipe as a sentence', () => {
    const sketch = {
        uses: '/uses',
        makes: '/makes',
        amount: '/amount',
        goods: ['/ware', '/material'],
        accepts: '/accepts',
        station: '/station',
        minutes: '/minutes',
    }
    const choice = (value: string, name: string) => ({
        value,
        name,
        group: '',
        fromPack: false,
        picture: null,
        sound: null,
    })
    const choices = {
        '/uses/*/material': [choice('red_clay', 'Red clay')],
        '/makes/*/ware': [choice('a.cup', 'Tea cup')],
        '/station': [choice('updraught', 'Updraught kiln')],
    }

    it('says by name what is taken and made, where and in what time', () => {
        const recipe = {
            station: 'updraught',
            uses: [
                { material: 'red_clay', amount: 0.6 },
                { material: 'oak_wood', amount: 1 },
            ],
            makes: [{ ware: 'a.cup', amount: 2 }],
            minutes: 380,
        }
        expect(sentenceOf(sketch, recipe, choices)).toBe(
            'Takes 0.6 Red clay and 1 oak wood; makes 2 Tea cup, at Updraught kiln, in 380 min.',
        )
    })

    it('says of what is like something how it has to be', () => {
        const accepts = { made_of: 'red_clay', volume_ml: { min: 100, max: 2000 }, weight_g: { min: 3 } }
        expect(sentenceOf(sketch, { uses: [{ accepts, amount: 1 }], makes: [], minutes: '1h30' }, choices)).toBe(
            'Takes 1 any of made of red clay, volume ml from 100 to 2000 and weight g from 3; makes nothing, in 1h30.',
        )
    })

    it('stands whatever is in the entry, and says nothing of nothing', () => {
        for (const value of [null, {}, { uses: [], makes: [] }, { uses: 3 }])
            expect(sentenceOf(sketch, value, {})).toBeNull()
        expect(sentenceOf(sketch, { uses: [null, {}, 4], makes: ['x'] }, {})).toContain('something')
    })
})
