import { onBeforeUnmount, ref } from 'vue'
import { useListening } from '@/shared/composables/useListening'
import { draw, type Stroke } from './peal'

// Enough to hear that strokes differ, and how often.
const rung = 6

/** Rings strokes as the host draws them, one after the other, each with its rest. */
export function usePeal() {
    const listening = useListening()
    const ringing = ref<string | null>(null)
    let timer = 0

    function stop() {
        clearTimeout(timer)
        ringing.value = null
        listening.stop()
    }

    /** Rings a peal; pressed again it stops. Strokes of which nothing can be heard are passed over. */
    function ring(name: string, strokes: readonly Stroke[], urlOf: (sound: string) => string | null) {
        const isOn = ringing.value === name
        stop()
        const heard = strokes.flatMap((stroke) => {
            const url = urlOf(stroke.sound)
            return url ? [{ ...stroke, url }] : []
        })
        if (isOn || heard.length === 0) return
        ringing.value = name
        let left = rung
        const next = () => {
            if (ringing.value !== name) return
            const stroke = left-- > 0 ? draw(heard, Math.random()) : undefined
            if (!stroke) return stop()
            void listening.play(`${name} ${left}`, {
                url: stroke.url,
                onEnd: () => (timer = window.setTimeout(next, stroke.rest)),
                onSilenced: () => (ringing.value = null),
            })
        }
        next()
    }

    onBeforeUnmount(stop)
    return { ringing, ring, stop }
}
