import { describe, expect, it } from 'vitest'
import { readUpTo } from '@/stops/define/reading'

describe('a text that is read', () => {
    it('is read as a whole where nothing is wrong', () => {
        expect(readUpTo('{ "a": 1, "b": [2] }')).toEqual({ value: { a: 1, b: [2] }, brokenAt: null })
    })

    it('is read up to its first fault, with the line of that', () => {
        const text = '{\n  "a": 1,\n  "list": [{ "x": 2 }],\n  "b": tru,\n  "c": 4\n}'
        expect(readUpTo(text)).toMatchObject({ value: { a: 1, list: [{ x: 2 }] }, brokenAt: 4 })
        expect(readUpTo(text).value).not.toHaveProperty('c')
    })

    it('is nothing where no object begins', () => {
        for (const text of ['', '3', '"x"', '}', 'nonsense']) expect(readUpTo(text).value).toBeNull()
    })

    it('stands whatever is cut off', () => {
        const text = '{ "a": { "b": [1, "two", { "c": null }] }, "d": "é\\n" }'
        for (let end = 0; end < text.length; end++) {
            const { value, brokenAt } = readUpTo(text.slice(0, end))
            expect(brokenAt === null ? value : 1).not.toBeUndefined()
            if (value !== null) expect(Object.keys(value as object).every((key) => ['a', 'd'].includes(key))).toBe(true)
        }
    })
})
