import { describe, expect, it } from 'vitest'
import { batches, isTooMuch, tooLarge, type Incoming } from '@/api/upload'

const megabyte = 1 << 20
const file = (path: string, bytes: number) => ({ path, file: { size: bytes } }) as Incoming

describe('a drop', () => {
    it('is sent in batches that are no larger than one request should be, in order, each file once', () => {
        const files = Array.from({ length: 9000 }, (_, i) => file(`f${i}`, (i % 7) * 20_000))
        const sent = batches(files)
        expect(sent.flat()).toEqual(files)
        for (const batch of sent) {
            expect(batch.length).toBeLessThanOrEqual(4000)
            expect(batch.reduce((sum, item) => sum + item.file.size, 0)).toBeLessThanOrEqual(64 * megabyte)
        }
    })

    it('keeps a file that is larger than a batch in a batch of its own', () => {
        const [small, large, last] = [file('a', 1), file('b', 200 * megabyte), file('c', 1)]
        expect(batches([small, large, last])).toEqual([[small], [large], [last]])
    })

    it('leaves out what the server would not take, and says so', () => {
        const [most, more] = [file('most.wav', 256 * megabyte), file('film.mov', 256 * megabyte + 1)]
        expect(batches([more, most])).toEqual([[most]])
        expect(isTooMuch([most, most, most])).toBe(false)
        expect(isTooMuch([most, most, most, most])).toBe(true)
        expect(tooLarge([more, most])).toEqual([{ path: 'film.mov', says: '“film.mov” has more than 256 MB.' }])
    })
})
