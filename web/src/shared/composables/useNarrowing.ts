import { computed } from 'vue'
import type { FindingView } from '@/api/client'
import { worstOf } from '../ledger'
import { useQueryValue } from './useQueryValue'

/** A list narrowed to what has some words, and to what has findings. Both live in the page's address. */
export function useNarrowing() {
    const words = useQueryValue('words')
    const found = useQueryValue('found')
    const wanted = computed(() => words.value.toLowerCase().split(/\s+/).filter(Boolean))
    return {
        words,
        isFoundOnly: computed({ get: () => found.value === 'only', set: (now) => (found.value = now ? 'only' : '') }),
        has: (text: string, findings: readonly FindingView[]) =>
            (found.value !== 'only' || worstOf(findings) !== undefined) &&
            wanted.value.every((word) => text.toLowerCase().includes(word)),
    }
}
