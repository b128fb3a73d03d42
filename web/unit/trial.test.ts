import { describe, expect, it } from 'vitest'
import type { HostWords } from '@/api/client'
import { fileOf, readTrial, wrongs, type Trial } from '@/stops/prove/trial'

const words: HostWords = {
    outcomes: [
        { code: 'plate', says: 'show a pale plate behind it', picture: 'yours' },
        { code: 'unchanged', says: 'go on showing its own here', picture: 'base' },
        { code: 'hidden', says: 'not show it at all', picture: 'nothing' },
    ],
    drops: [{ code: 'unreadable', says: 'cannot be read', picture: 'yours' }],
    reasons: [],
}

const trial = (more: Partial<Trial>): Trial =>
    readTrial({ revision: 1, report: { packages: [], shown: [], dropped: [], log: [], ...more } })!

const shown = (path: string, as: string, from = 'mine', also: string[] = []) => ({ path, as, from, also })

describe('wrongs', () => {
    it('leaves out what is right', () =>
        expect(wrongs(trial({ shown: [shown('a.png', 'right')] }), 'Kilnmoor', words)).toEqual([]))

    it.each([
        ['plate', 'mine', 'yours'],
        ['plate', 'base', 'base'],
        ['unchanged', 'mine', 'base'],
        ['hidden', 'mine', 'nothing'],
    ])('%s from %s shows %s', (as, from, sees) =>
        expect(wrongs(trial({ shown: [shown('a.png', as, from)] }), 'Kilnmoor', words)[0]!.sees).toBe(sees),
    )

    it('says in words what the host does, all of it', () =>
        expect(
            wrongs(trial({ shown: [shown('a.png', 'plate', 'mine', ['hidden'])] }), 'Kilnmoor', words)[0]!.says,
        ).toEqual(['Kilnmoor would show a pale plate behind it.', 'Kilnmoor would not show it at all.']))

    it('says why a file is left out, and what is seen in its place', () => {
        const report = trial({
            shown: [shown('a.png', 'right', 'base')],
            dropped: ['a.png', 'b.png'].map((path) => ({ path, from: 'mine', code: 'unreadable' })),
        })
        expect(wrongs(report, 'Kilnmoor', words).map((w) => [w.path, w.sees, w.says])).toEqual([
            ['a.png', 'base', ['Kilnmoor leaves it out: it cannot be read.']],
            ['b.png', 'nothing', ['Kilnmoor leaves it out: it cannot be read.']],
        ])
    })

    it('tells the findings that foresaw it', () => {
        const cause = {
            finding: { code: 'c', path: 'a.png', pointer: '', discriminator: '' },
            says: 'Its ring is not clear.',
        }
        const report = { ...trial({ shown: [shown('a.png', 'plate')] }), causes: { 'a.png': [cause] } }
        expect(wrongs(report, 'Kilnmoor', words)[0]!.causes).toEqual([cause])
    })
})

describe('readTrial', () => {
    it('is nothing before there is a report', () => {
        expect(readTrial(null)).toBeNull()
        expect(readTrial({ revision: 3 })).toBeNull()
    })

    it('takes reports of before causes were kept', () =>
        expect(trial({})).toMatchObject({ causes: {}, standsFor: {}, revision: 1 }))

    it('knows the file of a path that leads on to something in it', () =>
        expect(
            ['wares/jug/ware.json#moor.jug/name', 'wares/jug/ware.json', 'contents.xml#plates/a.png'].map(fileOf),
        ).toEqual(['wares/jug/ware.json', 'wares/jug/ware.json', 'contents.xml']))
})
