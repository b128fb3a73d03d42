import { onBeforeUnmount, ref } from 'vue'
import { wavOf } from './wav'

/** One take: what was recorded between a start and a stop. */
export interface Take {
    number: number
    file: File
    url: string
    seconds: number
    /** The highest sample; from 1 on it is cut off. */
    peak: number
}

const beats = 3
const beatMs = 700
// Longer than anything that hosts play, and far below what a page can hold.
const mostSeconds = 600

/** Records takes from a microphone, each after a count-in; they stay in the page until they are used or thrown away. */
export function useRecorder() {
    const state = ref<'off' | 'asking' | 'ready' | 'counting' | 'recording'>('off')
    /** How loud it is now, 0 to 1. */
    const level = ref(0)
    const counted = ref(0)
    const seconds = ref(0)
    const problem = ref('')
    const takes = ref<Take[]>([])
    let stream: MediaStream | null = null
    let context: AudioContext | null = null
    let timer = 0
    let blocks: Float32Array[] = []
    let peak = 0
    let made = 0
    let turn = 0

    /** Asks for the microphone and shows how loud it is; nothing is kept yet. */
    async function open() {
        if (state.value !== 'off') return
        state.value = 'asking'
        problem.value = ''
        const mine = ++turn
        try {
            // As it is heard: what helps speech on the telephone spoils recordings.
            const given = await navigator.mediaDevices.getUserMedia({
                audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
            })
            // Closed while the browser asked: the microphone is let go of at once.
            if (turn !== mine) return given.getTracks().forEach((track) => track.stop())
            stream = given
            context = new AudioContext()
            await context.audioWorklet.addModule('/capture.js')
            if (turn !== mine) return
            const capture = new AudioWorkletNode(context, 'capture', { numberOfOutputs: 0 })
            capture.port.onmessage = ({ data }) => hear(data as Float32Array)
            context.createMediaStreamSource(stream).connect(capture)
            state.value = 'ready'
        } catch (error) {
            if (turn !== mine) return
            close()
            problem.value =
                error instanceof DOMException && error.name === 'NotAllowedError'
                    ? 'The browser does not let this page hear the microphone: allow it beside the address, then try again.'
                    : error instanceof DOMException && error.name === 'NotFoundError'
                      ? 'There is no microphone. Connect one, then try again.'
                      : 'The microphone cannot be used here. Record with another program, and drop the file on this page.'
        }
    }

    function hear(block: Float32Array) {
        const loudest = block.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)
        // Falls slowly, so that it can be read.
        level.value = Math.max(loudest, level.value * 0.97)
        if (state.value !== 'recording') return
        blocks.push(block)
        peak = Math.max(peak, loudest)
        seconds.value += block.length / context!.sampleRate
        if (seconds.value >= mostSeconds) stop()
    }

    function start() {
        if (state.value !== 'ready') return
        state.value = 'counting'
        counted.value = beats
        const beat = () => {
            if (--counted.value > 0) return
            window.clearInterval(timer)
            ;[blocks, peak, seconds.value] = [[], 0, 0]
            state.value = 'recording'
        }
        timer = window.setInterval(beat, beatMs)
    }

    function stop() {
        window.clearInterval(timer)
        if (state.value === 'counting') state.value = 'ready'
        if (state.value !== 'recording') return
        state.value = 'ready'
        if (blocks.length === 0) return
        const number = ++made
        const file = new File([wavOf(blocks, context!.sampleRate)], `take ${number}.wav`, { type: 'audio/wav' })
        takes.value = [...takes.value, { number, file, url: URL.createObjectURL(file), seconds: seconds.value, peak }]
    }

    function discard(take: Take) {
        URL.revokeObjectURL(take.url)
        takes.value = takes.value.filter((other) => other !== take)
    }

    /** Lets go of the microphone; the takes stay. */
    function close() {
        turn++
        stop()
        stream?.getTracks().forEach((track) => track.stop())
        void context?.close()
        ;[stream, context, state.value, level.value] = [null, null, 'off', 0]
    }

    onBeforeUnmount(() => {
        close()
        takes.value.forEach((take) => URL.revokeObjectURL(take.url))
    })
    return { state, level, counted, seconds, problem, takes, open, start, stop, discard, close }
}
