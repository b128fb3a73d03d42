import type { FindingView, LedgerRow, PackSummary, PartView, SectionColumn } from '@/api/client'

/** A finding that stands for several files, and what it says of one of them. */
export interface Within {
    finding: FindingView
    part: PartView
}

/** A row of the ledger with what was found at its path, and in what it is one of several. */
export interface Row extends LedgerRow {
    findings: readonly FindingView[]
    within: readonly Within[]
}

/** A group head, or a row below it. */
export type Line =
    | { kind: 'head'; key: string; column: SectionColumn; rows: number }
    | { kind: 'row'; key: string; row: Row; column: string }

export interface Filter {
    place: string
    state: string
    words: readonly string[]
    /** Paths of the base that have the words in their contents. */
    hits: ReadonlySet<string>
}

let last: { rows: readonly LedgerRow[]; findings: readonly FindingView[]; joined: Row[] } | undefined

/** Joins rows and findings by path; findings at paths without a row get one of their own. Every stop asks for the same. */
export function join(rows: readonly LedgerRow[], findings: readonly FindingView[]): Row[] {
    if (last?.rows !== rows || last.findings !== findings) last = { rows, findings, joined: joinNow(rows, findings) }
    return last.joined
}

function joinNow(rows: readonly LedgerRow[], findings: readonly FindingView[]): Row[] {
    const byPath = Map.groupBy(findings, (finding) => finding.name.path)
    const parts = findings.flatMap((finding) => finding.parts.map((part): Within => ({ finding, part })))
    const byPart = Map.groupBy(parts, ({ part }) => part.path)
    const known = new Set(rows.map((row) => row.path))
    const lost = [...byPath.keys()].filter((path) => !known.has(path))
    return [
        ...rows.map((row) => ({
            ...row,
            findings: byPath.get(row.path) ?? [],
            within: byPart.get(row.path) ?? [],
        })),
        ...lost.map((path) => ({
            path,
            place: placeOf(byPath.get(path)!),
            title: path === '' ? 'The whole pack' : path.slice(path.lastIndexOf('/') + 1),
            noun: '',
            state: path === '' ? 'pack' : byPath.get(path)!.some((f) => f.parts.length > 0) ? 'several' : 'missing',
            isPicture: false,
            isSound: false,
            hash: null,
            baseHash: null,
            size: null,
            baseSize: null,
            length: 0,
            heard: null,
            findings: byPath.get(path) ?? [],
            within: [],
        })),
    ]
}

/** Where findings without a row belong. */
const placeOf = (findings: readonly FindingView[]) =>
    findings.map((finding) => finding.place).find((place) => place !== 'elsewhere') ?? null

/** The severity that counts most among findings that are not waived. */
export const worstOf = (findings: readonly FindingView[]) =>
    ['blocker', 'warning', 'note'].find((severity) => findings.some((f) => !f.waived && f.severity === severity))

/** True where a row is worked on in a stop of its own: pictures in Shape, entries in Define. */
export const canOpen = (row: Row) =>
    !['missing', 'pack', 'several'].includes(row.state) && (row.place !== null || row.noun === 'manifest')

const isYours = (row: Row) => row.state !== 'base'

export function matches(row: Row, filter: Filter): boolean {
    if (filter.place && (row.place ?? 'elsewhere') !== filter.place) return false
    if (filter.state === 'yours' && !isYours(row)) return false
    if (filter.state === 'base' && row.state !== 'base') return false
    if (filter.state === 'found' && [...row.findings, ...row.within.map((w) => w.finding)].every((f) => f.waived))
        return false
    if (filter.words.length === 0 || filter.hits.has(row.path)) return true
    const text = `${row.title} ${row.noun} ${row.path}`.toLowerCase()
    return filter.words.every((word) => text.includes(word))
}

const manifestColumn: SectionColumn = {
    place: 'manifest',
    title: 'Manifest',
    family: 'Manifest',
    inBase: 0,
    overrides: 0,
    copies: 0,
    additions: 0,
    isPartial: false,
    findings: { blocker: 0, warning: 0, note: 0 },
}

/** Rows below the heads of their columns, in the section's order; what the whole pack rests on comes first. */
export function lines(rows: readonly Row[], summary: PackSummary): Line[] {
    const groups = Map.groupBy(rows, (row) => row.place ?? (isManifest(row) ? 'manifest' : 'elsewhere'))
    return [manifestColumn, ...summary.section].flatMap((column): Line[] => {
        const inside = groups.get(column.place) ?? []
        if (inside.length === 0) return []
        return [
            { kind: 'head', key: `head:${column.place}`, column, rows: inside.length },
            ...inside.map((row): Line => ({ kind: 'row', key: `row:${row.path}`, row, column: column.place })),
        ]
    })
}

/** The manifest, and findings of the pack as a whole. */
const isManifest = (row: Row) => row.noun === 'manifest' || row.state === 'pack'
