/** A value of a record: what it says, and how it stands in the text. */
export interface Cell {
    says: string
    raw: string
}
export interface Csv {
    /** Records, the header first, each with what ends it. */
    records: { cells: Cell[]; end: string }[]
    /** Empty lines at the very end. */
    tail: string
}

const wantsQuotes = /[",\r\n]/

/** A value as it is written; within quotes where it needs them, or had them. */
const cellOf = (says: string, hadQuotes = false): Cell => ({
    says,
    raw: hadQuotes || wantsQuotes.test(says) ? `"${says.replaceAll('"', '""')}"` : says,
})

/**
 * Reads a table as the host does (RFC 4180, a line feed alone ends a record too); null where its quotes do not match. Each value
 * keeps the form in which it stands.
 */
export function parseCsv(text: string, separator = ','): Csv | null {
    const records: Csv['records'] = []
    let at = 0
    while (at < text.length) {
        const cells: Cell[] = []
        for (;;) {
            const from = at
            let says = ''
            if (text[at] === '"') {
                for (at++; ; at++) {
                    if (at >= text.length) return null
                    if (text[at] !== '"') says += text[at]
                    else if (text[at + 1] === '"') says += text[at++]
                    else break
                }
                at++
            } else {
                while (at < text.length && text[at] !== separator && !endsAt(text, at)) at++
                says = text.slice(from, at)
                if (says.includes('"')) return null
            }
            cells.push({ says, raw: text.slice(from, at) })
            if (text[at] !== separator) break
            at++
        }
        const end = endsAt(text, at)
        if (end === '' && at < text.length) return null
        at += end.length
        records.push({ cells, end })
    }
    let tail = ''
    for (let last = records.at(-1); last?.cells.length === 1 && last.cells[0]!.raw === ''; last = records.at(-1))
        tail = records.pop()!.end + tail
    return { records, tail }
}

const endsAt = (text: string, at: number) =>
    text[at] === '\n' ? '\n' : text[at] === '\r' && text[at + 1] === '\n' ? '\r\n' : ''

/** The table as text: all that was not changed as it stood. */
export function writeCsv({ records, tail }: Csv): string {
    const end = records[0]?.end || '\n'
    return (
        records
            .map(
                (record, index) =>
                    record.cells.map((cell) => cell.raw).join(',') +
                    (record.end || (index < records.length - 1 ? end : '')),
            )
            .join('') + tail
    )
}

/** The column of a name; a new one, empty in every record, where there is none. */
export function columnOf(csv: Csv, name: string): number {
    const [header, ...rows] = csv.records
    const at = header?.cells.findIndex((cell) => cell.says === name) ?? -1
    if (at >= 0) return at
    if (!header) csv.records.push({ cells: [cellOf(name)], end: '\n' })
    else {
        header.cells.push(cellOf(name))
        for (const row of rows) row.cells.push(cellOf(''))
    }
    return csv.records[0]!.cells.length - 1
}

/** Gives a record another value in a column. */
export function setCell(csv: Csv, record: number, column: string, says: string) {
    const at = columnOf(csv, column)
    const { cells } = csv.records[record]!
    while (cells.length <= at) cells.push(cellOf(''))
    if (cells[at]!.says !== says) cells[at] = cellOf(says, cells[at]!.raw.startsWith('"'))
}

/** Adds a record at the end with values by column. */
export function addRecord(csv: Csv, values: Readonly<Record<string, string>>) {
    for (const name of Object.keys(values)) columnOf(csv, name)
    const header = csv.records[0]!
    const last = csv.records.at(-1)!
    last.end ||= header.end || '\n'
    csv.records.push({ cells: header.cells.map(({ says }) => cellOf(values[says] ?? '')), end: header.end || '\n' })
}
