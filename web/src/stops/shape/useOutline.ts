import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { api, data, type SoundOutline, type SoundSide } from '@/api/client'
import type { Span } from './span'

/** An outline and what of the sound it is of. */
export interface DrawnOutline extends Span {
    outline: SoundOutline
}

/** What is drawn of a sound: the whole, and a moment later the part that is seen as finely as the screen shows it. */
export function useOutline(
    pack: () => string,
    path: () => string,
    isOfBase: boolean,
    side: () => SoundSide,
    span: () => Span,
) {
    const length = computed(() => (side().rate ? side().frames / side().rate : 0))
    const wanted = computed(() => {
        const { rate, frames, hash } = side()
        const from = Math.max(0, Math.floor(span().from * rate))
        const to = Math.min(frames, Math.ceil(span().to * rate))
        return { hash, from, to, isPart: from < to && to - from < frames }
    })
    const asked = refDebounced(wanted, 150)
    const { data: fine } = useQuery({
        queryKey: ['pack', pack, 'outline', path, isOfBase, asked],
        queryFn: async () => {
            const { from, to, hash } = asked.value
            const query = { path: path(), isOfBase, from, to }
            const outline = await data(
                api.GET('/api/packs/{id}/sound/outline', { params: { path: { id: pack() }, query } }),
            )
            return { outline, hash, from: from / side().rate, to: to / side().rate }
        },
        enabled: () => asked.value.isPart,
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    })
    const drawn = computed<DrawnOutline>(() => {
        const part = fine.value
        const { from, to } = span()
        const covers =
            wanted.value.isPart &&
            part?.hash === side().hash &&
            part.from <= from + 0.001 &&
            part.to >= Math.min(to, length.value) - 0.001
        return covers ? part : { outline: side().outline, from: 0, to: length.value }
    })
    return { drawn, length }
}
