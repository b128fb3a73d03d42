import { describe, expect, it } from 'vitest'
import { answered, gridOf, inEveryState, unclaimed } from '@/stops/define/sketch/grid'
import { groundOf } from '@/stops/define/sketch/ground'
import { mapOf, mostAsked } from '@/stops/define/sketch/map'
import { draw } from '@/stops/define/sketch/peal'

const grid = {
    field: '/occasions',
    rows: '/peals',
    code: 'signal',
    when: 'weather',
    states: ['clear', 'rain', 'snow'],
    any: 'any',
    lists: 'strokes',
    plays: { sound: 'audio', turns: 'turns', rest: 'rest_ms' },
    codes: [
        { code: 'late', name: 'A late cart', group: 'market', isRequired: false },
        { code: 'opens', name: 'The market opens', group: 'market', isRequired: true },
        { code: 'dance', name: 'The dance', group: 'fair', isRequired: true },
    ],
}
const strokes = [
    { audio: 'bells/low_1', turns: 3 },
    { audio: 'bells/low_2', turns: 1 },
]

describe('the grid of what answers what', () => {
    const tower = { occasions: ['market'], peals: [{ signal: 'opens', weather: 'clear', strokes }] }

    it('has what is claimed, required first, with how often each comes', () => {
        const rows = gridOf(grid, tower)
        expect(rows.map((row) => [row.code, row.isRequired])).toEqual([
            ['opens', true],
            ['late', false],
        ])
        expect(rows[0]!.cells.map((cell) => cell.says)).toEqual([['low_1, 3 of 4', 'low_2, 1 of 4'], [], []])
    })

    it('knows rows of nothing that is claimed, and that an empty list answers nothing', () => {
        const odd = { occasions: [], peals: [{ signal: 'dance', weather: 'any', strokes: [] }] }
        expect(gridOf(grid, odd)).toMatchObject([{ code: 'dance', isRequired: false, isLoose: true }])
        expect(gridOf(grid, odd)[0]!.cells.every((cell) => cell.row === -1)).toBe(true)
    })

    it('answers another state as it is answered already', () => {
        const peals = answered(grid, tower, 'opens', 'rain')
        expect(peals).toHaveLength(2)
        expect(peals[1]).toEqual({ signal: 'opens', weather: 'rain', strokes })
    })

    it('answers in every state by one row', () => {
        const both = { ...tower, peals: answered(grid, tower, 'opens', 'rain') }
        expect(inEveryState(grid, both, 'opens')).toEqual([{ signal: 'opens', weather: 'any', strokes }])
    })

    it('knows what is not claimed although all that it requires is answered in every state', () => {
        const peal = (signal: string, weather: string) => ({ signal, weather, strokes })
        const both = [peal('opens', 'clear'), peal('opens', 'rain'), peal('dance', 'any')]
        expect(unclaimed(grid, { occasions: [], peals: both })).toEqual(['fair'])
        expect(unclaimed(grid, { occasions: ['fair'], peals: [...both, peal('opens', 'snow')] })).toEqual(['market'])
        expect(unclaimed(grid, { peals: [{ ...peal('dance', 'any'), strokes: [] }] })).toEqual([])
    })

    it('stands whatever is in the entry', () => {
        for (const value of [null, {}, { occasions: 3, peals: [null, 'x', { signal: 4 }] }])
            expect(() => [gridOf(grid, value), unclaimed(grid, value)]).not.toThrow()
    })
})

describe('a stroke that is drawn', () => {
    it('comes as often as its share of all turns', () => {
        const drawn = (turnsOf: number[], at: number) =>
            turnsOf.indexOf(
                draw(
                    turnsOf.map((turns) => ({ turns })),
                    at,
                )?.turns ?? -1,
            )
        expect([0, 0.74, 0.75, 0.99].map((at) => drawn([3, 1], at))).toEqual([0, 0, 1, 1])
        expect([0, 0.5, 0.99].map((at) => drawn([0, 2], at))).toEqual([1, 1, 1])
        expect(draw([{ turns: 0 }, { turns: 0, last: true }], 0.9)).toEqual({ turns: 0, last: true })
        expect(draw([], 0.5)).toBeUndefined()
    })
})

const reactions = {
    rows: '/reactions',
    from: 'from_c',
    to: 'to_c',
    state: 'air',
    states: ['oxidising', 'reducing'],
    any: 'any',
    least: 'soak_min',
}
const glaze = {
    reactions: [
        { from_c: 1100, to_c: 1200, air: 'reducing', gives: { type: 'drip' } },
        { from_c: 1150, to_c: 1300, air: 'any', soak_min: 20, gives: { type: 'matte' } },
    ],
}

describe('the map of rows of which the first that fits counts', () => {
    it('gives each place to the first row that fits there', () => {
        const map = mapOf(reactions, glaze, 20)!
        expect([map.least, map.most]).toEqual([1100, 1300])
        expect(map.spans.filter((span) => span.state === 'reducing').map((s) => [s.says, s.from, s.to])).toEqual([
            ['drip', 1100, 1200],
            ['matte', 1200, 1300],
        ])
        expect(map.gaps).toEqual([{ state: 'oxidising', from: 1100, to: 1150 }])
    })

    it('leaves out what needs more than there is', () => {
        expect(mapOf(reactions, glaze, 5)!.spans.map((span) => span.says)).toEqual(['drip'])
        expect(mostAsked(reactions, glaze)).toBe(20)
    })

    it('draws nothing of nothing', () => {
        for (const value of [null, {}, { reactions: [{ from_c: 9, to_c: 1 }, null] }])
            expect(mapOf(reactions, value, 0)).toBeNull()
    })
})

const ground = {
    field: '/occasions',
    gate: '/gate',
    points: '/fixtures',
    lanes: '/lanes',
    leastWidth: 2,
    claims: [{ code: 'market', name: 'Market day', group: 'stall well table', isRequired: false }],
}

describe('the ground', () => {
    const plan = {
        gate: 'gate',
        occasions: ['market'],
        fixtures: [
            { id: 'a', kind: 'stall', x: 5, y: 5 },
            { id: 'b', kind: 'well', x: 9, y: 5 },
        ],
        lanes: [
            { from: 'a', to: 'gate', width_m: 2 },
            { from: 'a', to: 'b', width_m: 1.9 },
        ],
    }

    it('tells what can be walked to, over lanes wide enough and both ways', () => {
        const { points, lanes, claims } = groundOf(ground, plan)
        expect(points.map((point) => [point.id, point.isReached])).toEqual([
            ['gate', true],
            ['a', true],
            ['b', false],
        ])
        expect(lanes.map((lane) => lane.isWide)).toEqual([true, false])
        expect(claims[0]!.needs).toEqual([
            { kind: 'stall', state: 'reached' },
            { kind: 'well', state: 'cut off' },
            { kind: 'table', state: 'missing' },
        ])
    })

    it('knows what is not claimed although all that it needs is reached', () => {
        const wide = { ...plan, lanes: plan.lanes.map((lane) => ({ ...lane, width_m: 3 })), occasions: [] }
        const claims = [...ground.claims, { code: 'fair', name: 'Fair', group: 'stall well', isRequired: false }]
        expect(groundOf({ ...ground, claims }, wide).unclaimed).toEqual(['fair'])
        expect(groundOf({ ...ground, claims }, plan).unclaimed).toEqual([])
        expect(groundOf({ ...ground, claims }, { ...wide, occasions: ['fair'] }).unclaimed).toEqual([])
    })

    it('stands whatever is in the entry', () => {
        for (const value of [null, {}, { fixtures: 1, lanes: [null], occasions: [7] }])
            expect(() => groundOf(ground, value)).not.toThrow()
    })
})
