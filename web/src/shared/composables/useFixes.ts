import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, data, type FixResult, type WantedFix } from '@/api/client'
import { count } from '../words'
import { useChange } from './usePack'
import { useRepairChain } from './useRepairChain'

/** Applies fixes, and says what came of them and what was held back. */
export function useFixes(id: MaybeRefOrGetter<string>) {
    const change = useChange(id)
    const repairs = useRepairChain()
    const post = async (
        body: { fixes?: WantedFix[]; allThatLoseNothing?: boolean; chain?: boolean },
        signal?: AbortSignal,
    ) => {
        const result = await data(
            api.POST('/api/packs/{id}/fixes', {
                params: { path: { id: toValue(id) } },
                body: { allThatLoseNothing: false, chain: false, ...body },
                signal,
            }),
        )
        if (!body.chain) repairs.offer(toValue(id), body.fixes ?? [], result.held)
        return result
    }
    return {
        isBusy: change.isBusy,
        apply: (fix: WantedFix, title: string) =>
            change.run(
                (signal) => post({ fixes: [fix] }, signal),
                (result) => (result.applied > 0 ? `${title}: done.` : heldBack(result)),
                { work: title },
            ),
        applySeveral: (wanted: WantedFix[]) =>
            change.run((signal) => post({ fixes: wanted }, signal), saySum, { work: applying(wanted) }),
        applyTogether: (wanted: WantedFix[]) =>
            change.run((signal) => post({ fixes: wanted, chain: true }, signal), saySum, { work: applying(wanted) }),
        applyAll: () =>
            change.run((signal) => post({ allThatLoseNothing: true }, signal), saySum, {
                work: 'Applying all fixes that lose nothing',
            }),
    }
}

const applying = (wanted: WantedFix[]) => `Applying ${count(wanted.length, 'fix', 'fixes')}`

/** What came of several fixes. */
const saySum = (result: FixResult) =>
    [`${count(result.applied, 'fix', 'fixes')} applied, ${count(result.files, 'file')} changed.`, heldBack(result)]
        .join(' ')
        .trim()

/** Why fixes were not applied. */
function heldBack({ held }: FixResult): string {
    const first = held[0]
    if (!first) return ''
    const others = held.length > 1 ? ` ${count(held.length - 1, 'other')} likewise.` : ''
    return `“${first.title}” was held back: ${wouldBe(first)}.${others}`
}

/** What would go wrong after a fix. */
export function wouldBe({ would }: FixResult['held'][number]): string {
    const said = would
        .slice(0, 2)
        .map((o) => `${o.path || 'the package'} would be ${o.as ?? o.dropped ?? o.unlisted}`)
        .join(', ')
    return `${said}${would.length > 2 ? ' and more' : ''}`
}
