import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { askAgain } from '@/api/askAgain'

const answer = (status: number, after?: string) =>
    new Response(null, { status, headers: after ? { 'Retry-After': after } : {} })

describe('askAgain', () => {
    beforeEach(() => void vi.useFakeTimers())
    afterEach(() => void vi.useRealTimers())

    /** Sends until the answers, or failures, are used up; what came of it and the keys that were sent. */
    async function sent(method: string, answers: readonly (Response | Error)[]) {
        const keys: (string | undefined)[] = []
        const left = [...answers]
        const end = askAgain(method, (headers) => {
            keys.push(headers[0]?.[1])
            const next = left.shift()!
            return next instanceof Error ? Promise.reject(next) : Promise.resolve(next)
        }).then(
            (found) => found.status,
            (problem: Error) => problem.message,
        )
        await vi.runAllTimersAsync()
        return { end: await end, keys }
    }

    it('sends a write again with the same key while it is told to ask later', async () => {
        const { end, keys } = await sent('POST', [answer(503, '1'), answer(503, '1'), answer(200)])
        expect(end).toBe(200)
        expect(keys).toHaveLength(3)
        expect(new Set(keys).size).toBe(1)
    })

    it('names each write by a key of its own', async () => {
        const one = await sent('PUT', [answer(200)])
        const two = await sent('PUT', [answer(200)])
        expect(one.keys[0]).not.toBe(two.keys[0])
    })

    it('does not send a write again that somebody cancelled', async () => {
        const { end, keys } = await sent('POST', [new DOMException('It was cancelled.', 'AbortError'), answer(200)])
        expect(end).toBe('It was cancelled.')
        expect(keys).toHaveLength(1)
    })

    it('sends a write again that was not answered, and gives up after a while', async () => {
        expect((await sent('POST', [new Error('gone'), answer(200)])).end).toBe(200)
        const { end, keys } = await sent(
            'POST',
            Array.from({ length: 9 }, () => new Error('gone')),
        )
        expect(end).toBe('gone')
        expect(keys).toHaveLength(3)
    })

    it('hands on what is no use to ask again', async () => {
        expect((await sent('POST', [answer(409), answer(200)])).end).toBe(409)
        expect((await sent('POST', [answer(503), answer(200)])).end).toBe(503)
        const read = await sent('GET', [answer(503, '1'), answer(200)])
        expect(read.end).toBe(503)
        expect(read.keys).toEqual([undefined])
    })
})
