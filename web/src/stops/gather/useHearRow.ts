import { toValue, type MaybeRefOrGetter } from 'vue'
import { baseUrl, fileUrl, type PackSummary } from '@/api/client'
import { useListening } from '@/shared/composables/useListening'
import type { Row } from '@/shared/ledger'

/** Hears the sound of a row, the pack's where it has one; pressed again it is silent. */
export function useHearRow(pack: MaybeRefOrGetter<string>, summary: MaybeRefOrGetter<PackSummary | undefined>) {
    const { play } = useListening()
    return ({ isSound, path, hash, baseHash }: Row) => {
        const of = toValue(summary)
        const url = hash
            ? fileUrl(toValue(pack), path, hash)
            : of && baseHash
              ? baseUrl(of.host, of.edition, path, baseHash)
              : null
        if (isSound && url) void play(path, { url })
    }
}
