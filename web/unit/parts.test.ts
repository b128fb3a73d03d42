import { describe, expect, it } from 'vitest'
import { named, namesIn, problemOf } from '@/stops/gather/useParts'

const part = (kind: string) => ({ from: 0, to: 1, kind, isDoubtful: false })
const parts = [part('take'), part('noise'), part('take'), part('take')]

describe('names of parts', () => {
    it('are read a line each, without endings and empty lines', () =>
        expect(namesIn(' audio/bells/low_1.wav\n\nlow_2 \r\nhigh.OPUS')).toEqual([
            'audio/bells/low_1',
            'low_2',
            'high',
        ]))

    it('go to the parts that are taken, in order', () => {
        const list = named(parts, [true, false, true, true], ['one', 'two', 'three'])
        expect(list.map((p) => p.name)).toEqual(['one', '', 'two', 'three'])
        expect(named(parts, [true, true, false, true], ['one', 'two']).map((p) => p.name)).toEqual([
            'one',
            'two',
            '',
            '',
        ])
    })

    it('of what was done again are those of the one that counts, where it is kept', () => {
        const session = [part('repeated'), part('repeated'), part('take'), part('noise'), part('take')]
        const all = [true, true, true, false, true]
        const kept = named(session, all, ['one', 'two'], true)
        expect(kept.map((p) => p.name)).toEqual(['one', 'one', 'one', '', 'two'])
        expect(kept.map((p) => p.isFurther)).toEqual([true, true, false, false, false])
        // Further takes want no names of their own.
        expect(problemOf(kept, ['one', 'two'])).toBe('')
        expect(problemOf(kept, ['one'])).toContain('only 1 names given')
    })

    it('go to the last that is taken of those that were done again', () => {
        const session = [part('repeated'), part('noise'), part('repeated'), part('take'), part('take')]
        const kept = named(session, [true, false, true, false, true], ['one', 'two'], true)
        expect(kept.map((p) => p.name)).toEqual(['one', '', 'one', '', 'two'])
        expect(kept.map((p) => p.isFurther)).toEqual([true, false, false, false, false])
        const one = named(session, [true, false, false, false, true], ['one', 'two'], true)
        expect(one.map((p) => [p.name, p.isFurther])).toEqual([
            ['one', false],
            ['', false],
            ['', false],
            ['', false],
            ['two', false],
        ])
    })

    it('have to be there for all that are taken, and different', () => {
        const all = [true, false, true, true]
        expect(problemOf(named(parts, all, ['a', 'b', 'c']), ['a', 'b', 'c'])).toBe('')
        expect(problemOf(named(parts, all, ['a', 'b', 'c', 'd']), ['a', 'b', 'c', 'd'])).toBe('')
        expect(problemOf(named(parts, all, ['a', 'b']), ['a', 'b'])).toContain('only 2 names given')
        expect(problemOf(named(parts, all, []), [])).toContain('no names given')
        expect(problemOf(named(parts, all, ['a', 'b', 'a']), ['a', 'b', 'a'])).toContain('stands twice')
        expect(problemOf(named(parts, [false, false, false, false], ['a']), ['a'])).toContain('Tick')
    })
})
