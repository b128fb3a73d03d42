import { describe, expect, it } from 'vitest'
import { ref } from 'vue'
import type { Candidate, TrayRow } from '@/api/client'
import { named, ownPath, useTrayChoices } from '@/stops/gather/useTrayChoices'

const candidate = (target: string, doubt: string | null = null): Candidate => ({
    target,
    place: null,
    title: '',
    noun: '',
    confidence: 0.9,
    reason: '',
    doubt,
    isNew: false,
    yoursHash: null,
    baseHash: null,
})

const file = (path: string, targets: string[], more: Partial<TrayRow> = {}): TrayRow => ({
    file: path,
    path: `.underlay/tray/${path}`,
    hash: path,
    isSound: false,
    isPicture: true,
    size: null,
    length: 1,
    isSure: false,
    hasFirst: targets.length > 0,
    candidates: targets.map((target) => candidate(target)),
    hint: null,
    isFlawed: false,
    likely: 1,
    series: null,
    thing: null,
    ...more,
})

const keysOf = (rows: TrayRow[]) =>
    useTrayChoices(ref(rows)).groups.value.map((g) => [g.key, g.rows.map((r) => r.file)])

describe('useTrayChoices', () => {
    it('groups files by what has to be done with them, contested places first', () =>
        expect(
            keysOf([
                file('a.png', ['x.png']),
                file('b.png', ['y.png']),
                file('c.png', ['x.png']),
                file('d.png', ['p.png', 'q.png'], { hasFirst: false }),
                file('e.txt', []),
                file('Thumbs.db', [], { isFlawed: true }),
                file('cut.png', ['x2.png'], { isFlawed: true, hasFirst: false }),
                file('f.png', [], { candidates: [candidate('z.png', 'it is much smaller')], hasFirst: true }),
            ]),
        ).toEqual([
            ['for:x.png', ['a.png', 'c.png']],
            ['likely', ['b.png']],
            ['choose', ['d.png', 'f.png']],
            ['unknown', ['e.txt']],
            ['flawed', ['Thumbs.db', 'cut.png']],
        ]))

    it('keeps what is sure, likely and a guess at a new name apart', () => {
        const guess = { ...candidate('mine_x.png'), isNew: true }
        expect(
            keysOf([
                file('a.png', ['x.png'], { isSure: true }),
                file('b.png', ['y.png']),
                file('c.png', [], { candidates: [guess], hasFirst: true }),
                // Where the path itself is the host's own a new one is no guess.
                file('d.png', [], { candidates: [{ ...guess, target: 'd/x.png' }], hasFirst: true, isSure: true }),
            ]),
        ).toEqual([
            ['sure', ['a.png', 'd.png']],
            ['likely', ['b.png']],
            ['new', ['c.png']],
        ])
    })

    it('puts the files of a series and of something new together, in order, until another place is chosen', () => {
        const seat = (number: number) => ({
            series: { key: 's', number, says: 'counted from 0' },
        })
        const thing = { thing: { owner: 'wares', noun: 'ware entry', name: 'kelp_bowl', part: 'shelf' } }
        const rows = ref([
            file('1.png', ['f/02.png'], seat(2)),
            file('0.png', ['f/01.png', 'z.png'], seat(1)),
            file('kelp bowl shelf.png', ['wares/kelp_bowl/shelf.png'], thing),
        ])
        const choices = useTrayChoices(rows)
        expect(choices.groups.value.map((g) => [g.title, g.says, g.rows.map((r) => r.file)])).toEqual([
            ['A series of 2', 'counted from 0', ['0.png', '1.png']],
            ['Begin a new ware with this', undefined, ['kelp bowl shelf.png']],
        ])
        choices.choose(rows.value[1]!, { value: 'z.png', typed: '', isRefused: false })
        expect(choices.groups.value.map((g) => g.kind)).toEqual(['series', 'likely', 'thing'])
    })

    it('takes a file out of a contested place when another is chosen for it', () => {
        const rows = ref([file('a.png', ['x.png', 'y.png']), file('b.png', ['x.png'])])
        const choices = useTrayChoices(rows)
        choices.choose(rows.value[0]!, { value: 'y.png', typed: '', isRefused: false })
        expect(choices.groups.value.map((g) => g.key)).toEqual(['likely'])
        expect(rows.value.map(choices.targetOf)).toEqual(['y.png', 'x.png'])
    })

    it('keeps a typed path, and knows none while it is refused', () => {
        const rows = ref([file('a.png', ['x.png'])])
        const choices = useTrayChoices(rows)
        choices.choose(rows.value[0]!, { value: ownPath, typed: ' art/z.png ', isRefused: false })
        expect(choices.targetOf(rows.value[0]!)).toBe('art/z.png')
        choices.choose(rows.value[0]!, { value: ownPath, typed: '../z.png', isRefused: true })
        expect(choices.targetOf(rows.value[0]!)).toBe('')
    })

    it('forgets a choice that is no longer among the candidates, and no other', () => {
        const rows = ref([file('a.png', ['x.png', 'y.png'])])
        const choices = useTrayChoices(rows)
        choices.choose(rows.value[0]!, { value: 'y.png', typed: '', isRefused: false })
        rows.value = [file('a.png', ['x.png'])]
        expect(choices.targetOf(rows.value[0]!)).toBe('x.png')
        choices.choose(rows.value[0]!, { value: `${named}front`, typed: '', isRefused: false })
        rows.value = [file('a.png', [])]
        expect(choices.choiceOf(rows.value[0]!).value).toBe(`${named}front`)
    })

    it('names twins by their bytes and by their name', () => {
        const rows = ref([
            file('a/x.png', [], { hash: '1' }),
            file('b/y.png', [], { hash: '1' }),
            file('c/X.png', [], { hash: '2' }),
        ])
        const choices = useTrayChoices(rows)
        expect(rows.value.map(choices.twinOf)).toEqual([
            'same as b/y.png',
            'same as a/x.png',
            'another is called so: a/x.png',
        ])
    })
})
