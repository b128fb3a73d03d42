<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SoundSide } from '@/api/client'
import { outlinePath } from '@/shared/outline'
import { across, type Span } from './span'
import { useOutline } from './useOutline'

/** The outline of a sound on a common scale of time, its loudness as it is heard, its loop, and where it is played. */
const props = defineProps<{
    pack: string
    path: string
    side: SoundSide
    /** What is seen of it. */
    span: Span
    label: string
    isBase?: boolean
    loop?: Span | null
    at?: number | null
    /** From where it is heard. Seconds. */
    cursor: number | null
    /** What is marked with the mouse. Seconds. */
    marked?: Span | null
}>()
const emit = defineEmits<{ mark: [span: Span | null]; point: [seconds: number]; zoom: [times: number, at: number] }>()

const { drawn, length } = useOutline(
    () => props.pack,
    () => props.path,
    props.isBase,
    () => props.side,
    () => props.span,
)
const x = (seconds: number) => across(seconds, props.span)
const outline = computed(() => outlinePath(drawn.value.outline, x(drawn.value.from), x(drawn.value.to)))
// From the bottom of the picture, the softest that is of interest, to its top. LUFS.
const softest = -60
const levels = computed(() => {
    const point = (level: number, tenth: number) =>
        `${x((tenth + 1) / 10).toFixed(1)} ${Math.min(99, (level / softest) * 100).toFixed(1)}`
    return `M${props.side.levels.map(point).join('L')}`
})
const picture = ref<SVGSVGElement>()
let began: number | null = null

/** The moment at which the mouse points, within the sound. */
function momentAt(event: MouseEvent) {
    const { left, width } = picture.value!.getBoundingClientRect()
    const { from, to } = props.span
    return Math.max(0, Math.min(length.value, from + ((event.clientX - left) / width) * (to - from)))
}
function press(event: PointerEvent) {
    if (event.button !== 0) return
    began = momentAt(event)
    picture.value!.setPointerCapture(event.pointerId)
    emit('mark', null)
    emit('point', began)
}
function drag(event: PointerEvent) {
    if (began === null) return
    const now = momentAt(event)
    // A press without a move marks nothing.
    if (Math.abs(now - began) > (props.span.to - props.span.from) / 200)
        emit('mark', { from: Math.min(began, now), to: Math.max(began, now) })
}

const facts = computed(() =>
    [
        `${length.value.toFixed(2)} s`,
        `${props.side.rate} Hz`,
        props.side.channels === 1 ? 'mono' : props.side.channels === 2 ? 'stereo' : `${props.side.channels} channels`,
        props.side.loudness === null ? '' : `${props.side.loudness} LUFS`,
        props.side.truePeak === null ? '' : `${props.side.truePeak} dBTP`,
        props.side.noiseFloor === null ? '' : `floor ${props.side.noiseFloor} dB`,
        props.side.clippedRuns === 0 ? '' : `clipped ${props.side.clippedRuns} times`,
    ].filter(Boolean),
)
const atCursor = computed(() => {
    const level = props.cursor === null ? undefined : props.side.levels[Math.floor(props.cursor * 10)]
    return level === undefined ? '' : `at ${props.cursor!.toFixed(2)} s ${level <= -70 ? 'silence' : `${level} LUFS`}`
})
</script>

<template>
    <figure class="flex min-h-36 shrink-0 grow flex-col">
        <figcaption class="flex flex-wrap items-baseline gap-x-4">
            <span class="font-semibold">{{ label }}</span>
            <span v-if="side.rate" class="text-faint text-small font-mono">{{ facts.join(' · ') }}</span>
            <span v-if="side.levels.length > 0" class="text-faint text-small"
                ><span class="text-ink" aria-hidden="true">― </span>loudness</span
            >
            <span v-if="atCursor" class="text-small ml-auto font-mono">{{ atCursor }}</span>
            <span v-else-if="side.levels.length > 0" class="text-faint text-small ml-auto"
                >press to hear from there</span
            >
        </figcaption>
        <div class="border-line bg-paper mt-1 min-h-0 grow border" :class="isBase ? 'hatch' : ''">
            <svg
                v-if="side.outline.highs.length > 0"
                ref="picture"
                viewBox="0 0 1000 100"
                preserveAspectRatio="none"
                class="bg-paper block h-full w-full"
                role="img"
                :aria-label="`${label}: ${facts.join(', ')}`"
                @pointerdown="press"
                @pointermove="drag"
                @pointerup="began = null"
                @pointercancel="began = null"
                @wheel.ctrl.prevent="emit('zoom', $event.deltaY > 0 ? 1.25 : 0.8, momentAt($event))"
            >
                <rect
                    v-if="marked"
                    :x="x(marked.from)"
                    y="0"
                    :width="x(marked.to) - x(marked.from)"
                    height="100"
                    class="fill-lake stroke-lake"
                    fill-opacity="0.28"
                    vector-effect="non-scaling-stroke"
                    data-test="marked"
                />
                <rect
                    v-if="loop"
                    :x="x(loop.from)"
                    y="0"
                    :width="Math.max(1, x(loop.to) - x(loop.from))"
                    height="100"
                    class="fill-saffron"
                    fill-opacity="0.18"
                />
                <line x1="0" x2="1000" y1="50" y2="50" class="stroke-line" vector-effect="non-scaling-stroke" />
                <path :d="outline" :class="isBase ? 'fill-faint' : 'fill-malachite'" />
                <path
                    :d="levels"
                    class="stroke-ink fill-none"
                    stroke-width="1.5"
                    stroke-linejoin="round"
                    vector-effect="non-scaling-stroke"
                    data-test="levels"
                />
                <line
                    v-if="cursor !== null"
                    :x1="x(cursor)"
                    :x2="x(cursor)"
                    y1="0"
                    y2="100"
                    class="stroke-ink"
                    stroke-dasharray="4 3"
                    vector-effect="non-scaling-stroke"
                    data-test="cursor"
                />
                <g v-if="loop" class="stroke-ink" vector-effect="non-scaling-stroke">
                    <line :x1="x(loop.from)" :x2="x(loop.from)" y1="0" y2="100" vector-effect="non-scaling-stroke" />
                    <line :x1="x(loop.to)" :x2="x(loop.to)" y1="0" y2="100" vector-effect="non-scaling-stroke" />
                </g>
                <line
                    v-if="at !== null && at !== undefined"
                    :x1="x(at)"
                    :x2="x(at)"
                    y1="0"
                    y2="100"
                    class="stroke-lake"
                    stroke-width="2"
                    vector-effect="non-scaling-stroke"
                />
            </svg>
            <p v-else class="text-faint p-4">
                {{
                    side.problem
                        ? `It cannot be read: ${side.problem}.`
                        : 'Its outline cannot be drawn; it can be heard.'
                }}
            </p>
        </div>
    </figure>
</template>
