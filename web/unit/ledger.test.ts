import { describe, expect, it } from 'vitest'
import { canOpen, join, lines, matches, worstOf, type Filter, type Row } from '@/shared/ledger'
import { finding, row, summary } from './rows'

const all: Filter = { place: '', state: 'all', words: [], hits: new Set() }

describe('join', () => {
    it('puts findings at their rows, and parts where they are one of several', () => {
        const several = finding('plates', { parts: [{ path: 'b.png', message: 'One of them.', fix: null }] })
        const rows = join([row('a.png'), row('b.png')], [finding('a.png'), several])
        expect(rows.map((r) => [r.path, r.findings.length, r.within.length])).toEqual([
            ['a.png', 1, 0],
            ['b.png', 0, 1],
            ['plates', 1, 0],
        ])
    })

    it('gives a finding without a file a row that cannot be opened', () => {
        const [missing, whole, folded] = join(
            [],
            [
                finding('art/lamp.png'),
                finding(''),
                finding('plates', { parts: [{ path: 'x', message: '', fix: null }] }),
            ],
        )
        expect([missing, whole, folded].map((r) => [r!.title, r!.state, canOpen(r!)])).toEqual([
            ['lamp.png', 'missing', false],
            ['The whole pack', 'pack', false],
            ['plates', 'several', false],
        ])
    })

    it('gives the same rows for the same lists, and others for others', () => {
        const [rows, findings] = [[row('a.png')], [finding('a.png')]]
        expect(join(rows, findings)).toBe(join(rows, findings))
        expect(join(rows, [])[0]!.findings).toEqual([])
    })
})

describe('matches', () => {
    const [plain] = join([row('art/Setts_dark.png', { title: 'Setts dark' })], [])
    it('wants all words, in title, noun or path, whatever their case', () => {
        expect(matches(plain!, { ...all, words: ['setts', 'surface'] })).toBe(true)
        expect(matches(plain!, { ...all, words: ['setts', 'ware'] })).toBe(false)
    })

    it('takes what the base says has the words', () =>
        expect(matches(plain!, { ...all, words: ['clay'], hits: new Set(['art/Setts_dark.png']) })).toBe(true))

    it.each([
        ['yours', 'override', true],
        ['yours', 'base', false],
        ['base', 'base', true],
        ['base', 'addition', false],
    ])('of %s, a row that is %s: %s', (state, is, expected) =>
        expect(matches({ ...plain!, state: is }, { ...all, state })).toBe(expected),
    )

    it('leaves waived findings out of what is found', () => {
        const found = (waived: string | null): Row => ({ ...plain!, findings: [finding('a', { waived })] })
        expect(matches(found(null), { ...all, state: 'found' })).toBe(true)
        expect(matches(found('drawn so'), { ...all, state: 'found' })).toBe(false)
    })

    it('knows rows without a place by the column of their own', () =>
        expect(matches({ ...plain!, place: null }, { ...all, place: 'elsewhere' })).toBe(true))
})

describe('lines', () => {
    it('stand below the heads of the section, the manifest first, empty columns left away', () => {
        const rows = join(
            [row('b.png', { place: 'wares' }), row('a.png'), row('firing.json', { place: null, noun: 'manifest' })],
            [],
        )
        expect(lines(rows, summary('surfaces', 'seals', 'wares')).map((line) => line.key)).toEqual([
            'head:manifest',
            'row:firing.json',
            'head:surfaces',
            'row:a.png',
            'head:wares',
            'row:b.png',
        ])
    })
})

describe('worstOf', () => {
    it.each([
        [['note', 'warning', 'blocker'], 'blocker'],
        [['note', 'warning'], 'warning'],
        [['note'], 'note'],
        [[], undefined],
    ])('of %j is %s', (severities, worst) =>
        expect(worstOf(severities.map((severity) => finding('a', { severity })))).toBe(worst),
    )

    it('leaves waived ones aside', () => expect(worstOf([finding('a', { waived: 'so' })])).toBeUndefined())
})
