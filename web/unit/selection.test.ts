import { describe, expect, it } from 'vitest'
import { nextTick, ref, type Ref } from 'vue'
import { join, lines, type Line } from '@/shared/ledger'
import { useSelection } from '@/shared/composables/useSelection'
import { row, summary } from './rows'

const paths = ['a', 'b', 'c', 'd', 'e']
const of = (...names: string[]): Line[] =>
    lines(
        join(
            names.map((name) => row(name)),
            [],
        ),
        summary('surfaces'),
    )
const chosen = (selection: ReturnType<typeof useSelection>) => selection.rows.value.map((r) => r.path)

let lists = 0
const chosenIn = (shown: Ref<Line[]>) => useSelection(`list ${lists++}`, shown)

describe('useSelection', () => {
    it('toggles rows and keeps their order', () => {
        const selection = chosenIn(ref(of(...paths)))
        for (const path of ['d', 'a', 'c', 'a']) selection.toggle(path)
        expect(chosen(selection)).toEqual(['c', 'd'])
    })

    it.each([
        ['b', 'd', ['b', 'c', 'd']],
        ['d', 'b', ['b', 'c', 'd']],
        ['c', 'c', ['c']],
    ])('reaches from %s to %s', (from, to, expected) => {
        const selection = chosenIn(ref(of(...paths)))
        selection.toggle(from)
        selection.reach(to)
        expect(chosen(selection)).toEqual(expected)
    })

    it('reaches from nowhere to the row alone, which begins the next range', () => {
        const selection = chosenIn(ref(of(...paths)))
        selection.reach('b')
        expect(chosen(selection)).toEqual(['b'])
        selection.reach('d')
        expect(chosen(selection)).toEqual(['b', 'c', 'd'])
    })

    it('counts only rows that are shown', () => {
        const shown = ref(of(...paths))
        const selection = chosenIn(shown)
        selection.all()
        shown.value = of('b')
        expect(chosen(selection)).toEqual(['b'])
        selection.clear()
        shown.value = of(...paths)
        expect(chosen(selection)).toEqual([])
    })

    it('keeps what was chosen in a list that one comes back to', async () => {
        useSelection('kept', ref(of(...paths))).toggle('c')
        await nextTick()
        expect(chosen(useSelection('kept', ref(of(...paths))))).toEqual(['c'])
        expect(chosen(useSelection('another', ref(of(...paths))))).toEqual([])
    })
})
