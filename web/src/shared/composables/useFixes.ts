import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, data, type FixResult, type WantedFix } from '@/api/client'
import { count } from '../words'
import { useChange } from './usePack'

/** Applies fixes, and says what came of them and what was held back. */
export function useFixes(id: MaybeRefOrGetter<string>) {
    const change = useChange(id)
    const post = (body: { fixes?: WantedFix[]; allThatLoseNothing?: boolean }) =>
        data(
            api.POST('/api/packs/{id}/fixes', {
                params: { path: { id: toValue(id) } },
                body: { allThatLoseNothing: false, ...body },
            }),
        )
    return {
        isBusy: change.isBusy,
        apply: (fix: WantedFix, title: string) =>
            change.run(
                () => post({ fixes: [fix] }),
                (result) => (result.applied > 0 ? `${title}: done.` : heldBack(result)),
            ),
        applySeveral: (wanted: WantedFix[]) => change.run(() => post({ fixes: wanted }), saySum),
        applyAll: () => change.run(() => post({ allThatLoseNothing: true }), saySum),
    }
}

/** What came of several fixes. */
const saySum = (result: FixResult) =>
    [`${count(result.applied, 'fix', 'fixes')} applied, ${count(result.files, 'file')} changed.`, heldBack(result)]
        .join(' ')
        .trim()

/** Why fixes were not applied. */
function heldBack({ held }: FixResult): string {
    const first = held[0]
    if (!first) return ''
    const would = first.would
        .slice(0, 2)
        .map((o) => `${o.path || 'the package'} would be ${o.as ?? o.dropped ?? o.unlisted}`)
        .join(', ')
    const others = held.length > 1 ? ` ${count(held.length - 1, 'other')} likewise.` : ''
    return `“${first.title}” was held back: ${would}${first.would.length > 2 ? ' and more' : ''}.${others}`
}
