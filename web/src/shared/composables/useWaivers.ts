import { toValue, type MaybeRefOrGetter } from 'vue'
import { api, data, type FindingName } from '@/api/client'
import { useChange } from './usePack'

/** Waives findings and withdraws waivers. */
export function useWaivers(id: MaybeRefOrGetter<string>) {
    const change = useChange(id)
    const params = () => ({ path: { id: toValue(id) } })
    return {
        isBusy: change.isBusy,
        waive: (findings: FindingName[], reason: string) =>
            change.run(
                () => data(api.POST('/api/packs/{id}/waivers', { params: params(), body: { findings, reason } })),
                () =>
                    findings.length === 1
                        ? 'Waived. It counts no longer; it comes back when the file changes.'
                        : `${findings.length} waived. Each comes back when its file changes.`,
            ),
        withdraw: (finding: FindingName) =>
            change.run(
                () => data(api.POST('/api/packs/{id}/waivers/withdrawals', { params: params(), body: finding })),
                () => 'The waiver is withdrawn.',
            ),
    }
}
