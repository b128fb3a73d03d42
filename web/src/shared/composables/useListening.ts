import { onBeforeUnmount, ref } from 'vue'

/** What is played: a sound from its start, a part of it, or its loop round and round. */
export interface Piece {
    url: string
    /** Seconds; without it the sound is played once. */
    loop?: { from: number; to: number; start: number }
    /** Seconds; only this is played. */
    part?: { from: number; to: number }
    /** How much louder or softer, dB. */
    gain?: number
    /** Played to its end. */
    onEnd?: () => void
    /** Not played, or not to its end: another was pressed, or it cannot be played here. */
    onSilenced?: () => void
}

// Wherever it was pressed, one sound is heard at a time.
let silence: (() => void) | null = null

/** Plays one piece at a time, in all of the page, and says where it is; nothing is played unasked. */
export function useListening() {
    const playing = ref<string | null>(null)
    /** Seconds into the sound. */
    const at = ref(0)
    const problem = ref('')
    const known = new Map<string, AudioBuffer>()
    let context: AudioContext | null = null
    let source: AudioBufferSourceNode | null = null
    let frame = 0
    let piece: Piece | null = null

    function stop() {
        const silenced = piece
        piece = null
        silenced?.onSilenced?.()
        source?.stop()
        source = null
        playing.value = null
        cancelAnimationFrame(frame)
    }

    async function play(name: string, wanted: Piece) {
        const isOn = playing.value === name
        stop()
        if (isOn) return
        if (silence !== stop) silence?.()
        silence = stop
        playing.value = name
        piece = wanted
        problem.value = ''
        try {
            context ??= new AudioContext()
            const buffer = known.get(wanted.url) ?? (await load(context, wanted.url))
            if (playing.value === name) start(context, buffer, name, wanted)
        } catch {
            problem.value = 'It cannot be played here.'
            stop()
        }
    }

    async function load(on: AudioContext, url: string) {
        const answer = await fetch(url)
        if (!answer.ok) throw new Error(String(answer.status))
        const buffer = await on.decodeAudioData(await answer.arrayBuffer())
        known.set(url, buffer)
        return buffer
    }

    function start(on: AudioContext, buffer: AudioBuffer, name: string, { loop, part, gain = 0, onEnd }: Piece) {
        const level = new GainNode(on, { gain: 10 ** (gain / 20) })
        const now = new AudioBufferSourceNode(on, { buffer, loop: !!loop })
        if (loop) [now.loopStart, now.loopEnd] = [loop.from, loop.to]
        now.connect(level).connect(on.destination)
        const [began, from] = [on.currentTime, loop?.start ?? part?.from ?? 0]
        if (part) now.start(0, from, part.to - from)
        else now.start(0, from)
        now.onended = () => {
            if (source !== now) return
            piece = null
            stop()
            onEnd?.()
        }
        source = now
        const follow = () => {
            const seconds = from + on.currentTime - began
            at.value = loop && seconds > loop.to ? loop.from + ((seconds - loop.to) % (loop.to - loop.from)) : seconds
            if (playing.value === name) frame = requestAnimationFrame(follow)
        }
        follow()
    }

    onBeforeUnmount(() => {
        stop()
        void context?.close()
    })
    return { playing, at, problem, play, stop }
}
