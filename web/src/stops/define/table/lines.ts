import type { TableView } from '@/api/client'
import { addRecord, parseCsv, setCell, writeCsv, type Csv } from './csv'

/**
 * What a row is to the host: new, over one of the base's, the same as that, taken out, the base's own, or gone since a table that
 * replaces the base's does not have it.
 */
export type Deed = 'new' | 'over' | 'same' | 'out' | 'base' | 'gone'

/** A row as the host would have it. */
export interface Line {
    /** Stays while the row is typed into. */
    id: string
    key: string
    deed: Deed
    values: Readonly<Record<string, string>>
    /** The base's, where it has the key. */
    below: Readonly<Record<string, string>> | null
    /** The record of the file; null for one that the file does not have. */
    record: number | null
}

/** A table of the pack and what it is laid over. */
export interface Sheet {
    csv: Csv
    columns: string[]
    lines: Line[]
    /** The file takes the base's place as a whole. */
    isReplacing: boolean
}

const headerOf = (csv: Csv) => csv.records[0]?.cells.map((cell) => cell.says) ?? []

/** The rows of the base in their places, with the file's own over them, then those that the file adds; null where it cannot be read. */
export function sheetOf(text: string, table: TableView): Sheet | null {
    const csv = parseCsv(text)
    const header = csv && headerOf(csv)
    if (!header?.includes(table.key)) return null
    const isReplacing = !table.rowsAdd && !(table.merge && header.includes(table.merge))
    const below = new Map(table.below.map((row) => [row.key, row.values]))
    const own = csv!.records.slice(1).map(({ cells }, index) => {
        const values = Object.fromEntries(header.map((name, at) => [name, cells[at]?.says ?? '']))
        return { key: values[table.key] ?? '', values, record: index + 1 }
    })
    // Of two rows with one key the later counts; the earlier stands where it can be seen.
    const last = new Map(own.map((row) => [row.key, row]))
    const columns = [...new Set([...header, ...table.columns])].filter((name) => name !== table.merge)
    const isSame = (values: Readonly<Record<string, string>>, other: Readonly<Record<string, string>>) =>
        columns.every((name) => (values[name] ?? '') === (other[name] ?? ''))
    const ofBase = table.below.map((row, index): Line => {
        const mine = last.get(row.key)
        const line = { id: `base:${index}`, key: row.key, below: row.values }
        if (!mine) return { ...line, deed: isReplacing ? 'gone' : 'base', values: row.values, record: null }
        const isOut = table.merge !== null && mine.values[table.merge] === 'remove'
        const deed = isOut ? 'out' : isSame(mine.values, row.values) ? 'same' : 'over'
        return { ...line, deed, values: isOut ? row.values : mine.values, record: mine.record }
    })
    const added = own
        .filter((row) => !below.has(row.key) || last.get(row.key) !== row)
        .map((row): Line => ({ ...row, id: `own:${row.record}`, deed: 'new', below: null }))
    return { csv: csv!, columns, lines: [...ofBase, ...added], isReplacing }
}

function setAll(csv: Csv, record: number, values: Readonly<Record<string, string>>) {
    for (const [name, says] of Object.entries(values)) setCell(csv, record, name, says)
}

/** What a row of the pack says that it does. */
const deedOf = (sheet: Sheet, table: TableView, word: 'add' | 'change' | 'remove'): Record<string, string> =>
    table.merge !== null && !sheet.isReplacing ? { [table.merge]: word } : {}

/** The text with another value in a row. A row of the base's comes into the file with all of its values. */
export function putValue(sheet: Sheet, table: TableView, line: Line, column: string, says: string): string {
    const csv = structuredClone(sheet.csv)
    const whole = { ...line.below, ...deedOf(sheet, table, 'change'), [column]: says }
    if (line.record === null) addRecord(csv, whole)
    else setAll(csv, line.record, line.deed === 'out' ? whole : { [column]: says })
    return writeCsv(csv)
}

/** The text with rows more, or with other values in those that are there. Rows without a key are left out. */
export function putRows(sheet: Sheet, table: TableView, columns: readonly string[], rows: readonly string[][]): string {
    const csv = structuredClone(sheet.csv)
    const byKey = new Map(sheet.lines.map((line) => [line.key, line]))
    for (const row of rows) {
        const values = Object.fromEntries(columns.map((name, at) => [name, (row[at] ?? '').trim()]))
        const key = values[table.key]
        if (!key) continue
        const line = byKey.get(key)
        if (line && line.record !== null) {
            setAll(csv, line.record, line.deed === 'out' ? { ...values, ...deedOf(sheet, table, 'change') } : values)
            continue
        }
        addRecord(csv, { ...line?.below, ...values, ...deedOf(sheet, table, line ? 'change' : 'add') })
        // What is pasted twice is written once, the later over the earlier.
        byKey.set(key, { id: '', key, deed: 'new', values, below: null, record: csv.records.length - 1 })
    }
    return writeCsv(csv)
}

/** The text in which a row of the base's is gone: told so, or left out of a table that replaces the base's. */
export function takeOut(sheet: Sheet, table: TableView, line: Line): string {
    const told = deedOf(sheet, table, 'remove')
    if (Object.keys(told).length === 0) return takeBack(sheet, line)
    const csv = structuredClone(sheet.csv)
    if (line.record === null) addRecord(csv, { [table.key]: line.key, ...told })
    else setAll(csv, line.record, told)
    return writeCsv(csv)
}

/** The text without a row of its own. */
export function takeBack(sheet: Sheet, line: Line): string {
    const csv = structuredClone(sheet.csv)
    if (line.record !== null) csv.records.splice(line.record, 1)
    return writeCsv(csv)
}

/** Cells as a spreadsheet hands them over, columns by tabs; null for a text that is one value. */
export function cellsOf(pasted: string): string[][] | null {
    if (!/[\t\n]/.test(pasted.replace(/\r?\n$/, ''))) return null
    const read = parseCsv(pasted, '\t')
    return (
        read?.records.map(({ cells }) => cells.map((cell) => cell.says)) ??
        pasted
            .replace(/\r?\n$/, '')
            .split(/\r?\n/)
            .map((row) => row.split('\t'))
    )
}
