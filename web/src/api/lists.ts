/** A list as the server answers it: all rows, or those that are another since a revision that the page has. */
export interface ListAnswer<T> {
    revision: number
    since: number | null
    rows: T[]
    /** Where each of the rows stands in the whole list; empty where the rows are all. */
    at: number[]
    /** Keys of rows that are no longer there. */
    gone: string[]
    /** How many rows the whole list has. */
    total: number
}

/**
 * The whole list: what was known, without what is gone or another now, with the answer's rows in their places. Nothing where the two
 * do not fit together; the list is to be fetched whole then.
 */
export function withRows<T, A extends ListAnswer<T>>(
    known: ListAnswer<T> | undefined,
    answer: A,
    keyOf: (row: T) => string,
): A | undefined {
    if (answer.since === null) return answer
    if (answer.since !== known?.revision) return undefined
    const others = new Set([...answer.gone, ...answer.rows.map(keyOf)])
    const kept = others.size === 0 ? known.rows : known.rows.filter((row) => !others.has(keyOf(row)))
    if (kept.length + answer.rows.length !== answer.total) return undefined
    if (answer.rows.length === 0) return { ...answer, rows: kept }
    const rows: T[] = []
    let next = 0
    for (const [i, row] of answer.rows.entries()) {
        while (rows.length < answer.at[i]!) rows.push(kept[next++]!)
        rows.push(row)
    }
    return { ...answer, rows: rows.concat(kept.slice(next)) }
}
