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

    function stop() {
        source?.stop()
        source = null
        playing.value = null
        cancelAnimationFrame(frame)
    }

    async function play(name: string, piece: Piece) {
        const isOn = playing.value === name
        stop()
        if (isOn) return
        if (silence !== stop) silence?.()
        silence = stop
        playing.value = name
        problem.value = ''
        try {
            context ??= new AudioContext()
            const buffer = known.get(piece.url) ?? (await load(context, piece.url))
            if (playing.value === name) start(context, buffer, name, piece)
        } catch {
            problem.value = 'It cannot be played here.'
            playing.value = null
        }
    }

    async function load(on: AudioContext, url: string) {
        const answer = await fetch(url)
        if (!answer.ok) throw new Error(String(answer.status))
        const buffer = await on.decodeAudioData(await answer.arrayBuffer())
        known.set(url, buffer)
        return buffer
    }

    function start(on: AudioContext, buffer: AudioBuffer, name: string, { loop, part, gain = 0 }: Piece) {
        const level = new GainNode(on, { gain: 10 ** (gain / 20) })
        const now = new AudioBufferSourceNode(on, { buffer, loop: !!loop })
        if (loop) [now.loopStart, now.loopEnd] = [loop.from, loop.to]
        now.connect(level).connect(on.destination)
        const [began, from] = [on.currentTime, loop?.start ?? part?.from ?? 0]
        if (part) now.start(0, from, part.to - from)
        else now.start(0, from)
        now.onended = () => source === now && stop()
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
