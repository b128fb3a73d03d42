import { describe, expect, it } from 'vitest'
import type { EconomyView, GoodView, RecipeView } from '@/api/client'
import { sectionOf } from '@/stops/define/economy/columns'
import { change, coins, isChanged, sum, time } from '@/stops/define/economy/words'

const good = (key: string, way: string | null = null, more: Partial<GoodView> = {}): GoodView => ({
    key,
    id: key,
    title: key,
    path: null,
    picture: null,
    isYours: false,
    isThere: true,
    isBought: way === null,
    sold: null,
    before: { price: 1, minutes: 0, way },
    after: { price: 1, minutes: 0, way },
    ...more,
})
const part = (key: string, amount = 1) => ({ amount, shown: key, choices: 1 })
const recipe = (path: string, uses: string[], makes: string[]): RecipeView => ({
    path,
    place: 'recipes',
    title: path,
    station: 'wheel',
    minutes: 5,
    isYours: false,
    uses: uses.map((key) => part(key, 2)),
    makes: makes.map((key) => part(key)),
})
const kiln: EconomyView = {
    revision: 1,
    goods: [good('earth'), good('clay', 'dig'), good('jug', 'fire'), good('sherds', 'break'), good('brick', 'press')],
    recipes: [
        recipe('dig', ['earth'], ['clay']),
        recipe('wash', ['earth'], ['clay']),
        recipe('fire', ['clay'], ['jug']),
        recipe('kilnful', ['clay'], ['jug']),
        recipe('break', ['jug'], ['sherds']),
        recipe('press', ['sherds'], ['brick']),
    ],
}
const paths = (chosen: string) => {
    const { toIt, fromIt } = sectionOf(kiln, chosen)
    return [toIt, fromIt].map((columns) => columns.map(({ recipe }) => recipe.path))
}

describe('the section of a good', () => {
    it('has every way that makes it, before those the cheapest of what goes into them, and what takes it', () => {
        expect(paths('jug')).toEqual([['dig', 'fire', 'kilnful'], ['break']])
        expect(paths('earth')).toEqual([[], ['dig', 'wash']])
    })

    it('tells the cheapest way from others', () => {
        const way = sectionOf(kiln, 'jug').toIt.map(({ recipe, isWay }) => [recipe.path, isWay])
        expect(way).toEqual([
            ['dig', true],
            ['fire', true],
            ['kilnful', false],
        ])
    })

    it('draws goods as thick as there is much of them, and the line at one height', () => {
        const { toIt, above, below } = sectionOf(kiln, 'jug')
        const [dig] = toIt
        expect(dig!.uses[0]!.height).toBeGreaterThan(dig!.makes[0]!.height)
        expect(above).toBe(Math.max(...toIt.flatMap(({ makes }) => makes.map(({ height }) => height))))
        expect(below).toBe(Math.max(...toIt.flatMap(({ uses }) => uses.map(({ height }) => height))))
    })

    it('comes to an end where goods are made of each other', () => {
        const round: EconomyView = {
            ...kiln,
            goods: [good('one', 'there'), good('two', 'back')],
            recipes: [recipe('there', ['two'], ['one']), recipe('back', ['one'], ['two'])],
        }
        expect(sectionOf(round, 'one').toIt).toHaveLength(2)
    })

    it('leaves away what is too much, and says so', () => {
        const many = Array.from({ length: 100 }, (_, index) => recipe(`r${index}`, ['clay'], [`g${index}`]))
        const section = sectionOf({ ...kiln, recipes: many }, 'clay')
        expect(section.isCut).toBe(true)
        expect(section.fromIt.length).toBeLessThan(100)
    })
})

describe('words of costs', () => {
    it('tells sums and times shortly', () => {
        expect([sum(0.30000000000000004), sum(12), sum(2.345)]).toEqual(['0.3', '12', '2.35'])
        expect([coins(0.9999), coins(0), coins(0.2)]).toEqual(['1 coin', '0 coins', '0.2 coins'])
        expect([time(35), time(380), time(59.7)]).toEqual(['35 min', '6 h 20', '1 h 00'])
    })

    it('tells what became of a cost', () => {
        const price = (one: GoodView) => change(one, (cost) => sum(cost.price))
        expect(price(good('a'))).toBe('1')
        expect(price(good('a', null, { after: { price: 2, minutes: 0, way: null } }))).toBe('1 → 2')
        expect(price(good('a', null, { after: null }))).toBe('cannot be had any more')
        expect(price(good('a', null, { before: null, after: null }))).toBe('cannot be had')
    })

    it('knows what the pack changes', () => {
        expect(isChanged(good('a'))).toBe(false)
        expect(isChanged(good('a', null, { isYours: true }))).toBe(true)
        expect(isChanged(good('a', null, { before: null }))).toBe(true)
    })
})
