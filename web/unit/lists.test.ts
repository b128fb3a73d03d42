import { describe, expect, it } from 'vitest'
import { withRows, type ListAnswer } from '@/api/lists'

interface Row {
    path: string
    says: number
}

const keyOf = (row: Row) => row.path
const whole = (revision: number, rows: Row[]): ListAnswer<Row> => ({
    revision,
    since: null,
    rows,
    at: [],
    gone: [],
    total: rows.length,
})

/** What the server would answer: rows that are another, with where they stand. */
function since(before: ListAnswer<Row>, rows: Row[]): ListAnswer<Row> {
    const known = new Map(before.rows.map((row) => [row.path, row.says]))
    const at = rows.flatMap((row, i) => (known.get(row.path) === row.says ? [] : [i]))
    const paths = new Set(rows.map(keyOf))
    return {
        revision: before.revision + 1,
        since: before.revision,
        rows: at.map((i) => rows[i]!),
        at,
        gone: [...known.keys()].filter((path) => !paths.has(path)),
        total: rows.length,
    }
}

// Numbers that look random, and are the same each time.
function dice(seed: number) {
    let at = seed
    return (most: number) => (at = (at * 48271) % 2147483647) % most
}

describe('lists since a revision', () => {
    it('are the whole list again after any changes', () => {
        for (let seed = 1; seed <= 300; seed++) {
            const roll = dice(seed)
            const draw = () => [...'abcdefghij'].filter(() => roll(3) > 0).map((path): Row => ({ path, says: roll(3) }))
            let list = whole(1, draw())
            for (let change = 0; change < 5; change++) {
                const rows = draw()
                list = withRows(list, since(list, rows), keyOf)!
                expect(list.rows).toEqual(rows)
            }
        }
    })

    it('hand rows on that are as they were', () => {
        const before = whole(1, [
            { path: 'a', says: 1 },
            { path: 'b', says: 2 },
        ])
        const after = withRows(
            before,
            since(before, [
                { path: 'a', says: 1 },
                { path: 'b', says: 3 },
            ]),
            keyOf,
        )!
        expect(after.rows[0]).toBe(before.rows[0])
    })

    it('are fetched whole where what is known does not fit', () => {
        const before = whole(1, [{ path: 'a', says: 1 }])
        const answer = since(before, [{ path: 'b', says: 1 }])
        expect(withRows(undefined, answer, keyOf)).toBeUndefined()
        expect(withRows(whole(7, before.rows), answer, keyOf)).toBeUndefined()
        expect(withRows({ ...before, rows: [...before.rows, { path: 'c', says: 1 }] }, answer, keyOf)).toBeUndefined()
    })
})
