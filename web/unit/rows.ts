import type { FindingView, LedgerRow, PackSummary, SectionColumn } from '@/api/client'

export const row = (path: string, more: Partial<LedgerRow> = {}): LedgerRow => ({
    path,
    place: 'surfaces',
    title: path,
    noun: 'surface picture',
    state: 'override',
    isPicture: true,
    isSound: false,
    hash: 'h',
    baseHash: 'b',
    size: null,
    baseSize: null,
    length: 1,
    heard: null,
    ...more,
})

export const finding = (path: string, more: Partial<FindingView> = {}): FindingView => ({
    name: { code: 'image/wrong-size', path, pointer: '', discriminator: '' },
    severity: 'blocker',
    place: 'surfaces',
    message: 'It is wrong.',
    line: null,
    column: null,
    fix: null,
    waived: null,
    parts: [],
    outcomes: [],
    ...more,
})

export const column = (place: string, more: Partial<SectionColumn> = {}): SectionColumn => ({
    place,
    title: place,
    family: place,
    inBase: 10,
    overrides: 0,
    copies: 0,
    additions: 0,
    isPartial: false,
    findings: { blocker: 0, warning: 0, note: 0 },
    ...more,
})

export const summary = (...places: string[]) =>
    ({ section: places.map((place) => column(place)) }) as unknown as PackSummary
