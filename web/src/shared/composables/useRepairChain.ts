import { ref } from 'vue'
import type { HeldFix, WantedFix } from '@/api/client'

/** Repairs that would make the pack worse alone, and hold with others. */
export interface RepairChain {
    pack: string
    fixes: WantedFix[]
    held: HeldFix[]
}

const shown = ref<RepairChain | null>(null)

/** The repairs that are offered to be made together; one page asks of one pack at a time. */
export function useRepairChain() {
    return {
        shown,
        /** Offers what was held back and would hold with others; false where nothing would. */
        offer(pack: string, wanted: readonly WantedFix[], held: readonly HeldFix[]): boolean {
            const holding = held.filter((fix) => fix.chain.length > 1)
            if (holding.length === 0) return false
            const isOf = (fix: WantedFix, name: HeldFix['finding']) =>
                JSON.stringify(fix.finding) === JSON.stringify(name)
            shown.value = {
                pack,
                held: holding,
                fixes: holding.map(
                    ({ finding }) => wanted.find((fix) => isOf(fix, finding)) ?? { finding, part: null, answer: null },
                ),
            }
            return true
        },
        leave: () => (shown.value = null),
    }
}
