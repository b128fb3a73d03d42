import { useQueryClient } from '@tanstack/vue-query'
import { ref, toValue, type InjectionKey, type MaybeRefOrGetter, type Ref } from 'vue'
import { isPassing, Problem, wasStopped, type DropResult, type Refused } from '@/api/client'
import { renew } from '@/api/renew'
import { batches, bytesOf, tooLarge, upload, type Incoming } from '@/api/upload'
import { useMessages } from '@/shared/composables/useMessages'
import { useWork } from '@/shared/composables/useWork'
import { bytes, count } from '@/shared/words'

export interface Drop {
    /** Whether files are on their way. */
    isSending: Ref<boolean>
    /** What the last drop could not take, and why. */
    refused: Ref<readonly Refused[]>
    /** Whether all of them were sent; those that were refused are told of. */
    take: (files: readonly Incoming[]) => Promise<boolean>
    /** A stop may take a drop itself: it returns true when it did. */
    taker: Ref<((files: Incoming[]) => boolean) | null>
}

export const dropKey: InjectionKey<Drop> = Symbol('drop')

/** Sends dropped files into the tray and keeps what was refused to be shown beside it. */
export function useTrayDrop(id: MaybeRefOrGetter<string>) {
    const queries = useQueryClient()
    const { say, warn } = useMessages()
    const work = useWork()
    const isSending = ref(false)
    const refused = ref<readonly Refused[]>([])

    async function take(files: readonly Incoming[]): Promise<boolean> {
        const pack = toValue(id)
        const total = bytesOf(files)
        let taken = 0
        refused.value = tooLarge(files)
        isSending.value = true
        try {
            await work.run(`Sending ${count(files.length, 'file')}, ${bytes(total)}`, async (signal, tell) => {
                let sentBefore = 0
                for (const batch of batches(files)) {
                    const result = await upload<DropResult>(`/api/packs/${pack}/tray`, batch, signal, (sent) =>
                        tell(sentBefore + sent, total),
                    )
                    sentBefore += bytesOf(batch)
                    taken += result.taken
                    refused.value = [...refused.value, ...result.refused]
                }
            })
            const left = refused.value.length > 0 ? `; ${count(refused.value.length, 'was', 'were')} refused` : ''
            say(`${count(taken, 'file')} came into the tray${left}.`)
            return refused.value.length === 0
        } catch (problem) {
            // A part whose answer was not waited for may have come in too.
            if (wasStopped(problem)) say('Cancelled. What had come in by then lies in the tray.')
            else if (isPassing(problem)) warn('Not all of it came in. Add it again when Underlay answers.')
            else
                warn(
                    problem instanceof Problem
                        ? problem.message
                        : 'The files cannot be read; were they moved meanwhile?',
                )
            return false
        } finally {
            isSending.value = false
            await renew(queries, ['pack', pack])
        }
    }

    return { isSending, refused, take }
}
