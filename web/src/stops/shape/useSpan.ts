import { computed, ref, watch, type Ref } from 'vue'
import { useKeys } from '@/shared/composables/useKeys'
import { moved, zoomed, type Span } from './span'

/** What is seen of two sounds, and the moment from which they are heard; one for both, by mouse and keys. */
export function useSpan(path: () => string, length: Ref<number>) {
    const span = ref<Span>({ from: 0, to: length.value })
    /** Seconds; nothing for the beginning. */
    const cursor = ref<number | null>(null)
    const all = () => (span.value = { from: 0, to: length.value })
    watch(path, () => (cursor.value = null))
    watch([path, length], all)

    const middle = computed(() => (span.value.from + span.value.to) / 2)
    const at = () =>
        cursor.value !== null && cursor.value >= span.value.from && cursor.value <= span.value.to
            ? cursor.value
            : middle.value
    const zoom = (times: number, moment = at()) => (span.value = zoomed(span.value, times, moment, length.value))
    const show = (start: number) => (span.value = moved(span.value, start, length.value))
    function step(by: number) {
        const wide = span.value.to - span.value.from
        const now = Math.max(0, Math.min(length.value, (cursor.value ?? span.value.from) + (by * wide) / 50))
        cursor.value = now
        if (now < span.value.from || now > span.value.to) show(now - wide / 2)
    }
    useKeys({ '+': () => zoom(0.5), '-': () => zoom(2), a: all, ',': () => step(-1), '.': () => step(1) })
    return { span, cursor, zoom, show, all, isWhole: computed(() => span.value.to - span.value.from >= length.value) }
}
