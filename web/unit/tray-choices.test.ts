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
            ['choose', ['d.png', 'f.png']],
            ['ready', ['b.png']],
            ['unknown', ['e.txt']],
            ['flawed', ['Thumbs.db', 'cut.png']],
        ]))

    it('takes a file out of a contested place when another is chosen for it', () => {
        const rows = ref([file('a.png', ['x.png', 'y.png']), file('b.png', ['x.png'])])
        const choices = useTrayChoices(rows)
        choices.choose(rows.value[0]!, { value: 'y.png', typed: '', isRefused: false })
        expect(choices.groups.value.map((g) => g.key)).toEqual(['ready'])
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
