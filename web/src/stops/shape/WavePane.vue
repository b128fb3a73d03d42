<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SoundSide } from '@/api/client'

/** The outline of a sound on a common scale of time, with its loop, and where it is played. */
const props = defineProps<{
    side: SoundSide
    /** The longest of those that are compared. Seconds. */
    seconds: number
    label: string
    isBase?: boolean
    loop?: { from: number; to: number } | null
    at?: number | null
    /** What is marked with the mouse. Seconds. */
    marked?: { from: number; to: number } | null
}>()
const emit = defineEmits<{ mark: [span: { from: number; to: number } | null] }>()

const own = computed(() => (props.side.rate ? props.side.frames / props.side.rate : 0))
const width = computed(() => (own.value / props.seconds) * 1000)
const outline = computed(() => {
    const { lows, highs } = props.side
    const step = width.value / Math.max(1, highs.length - 1)
    const point = (value: number, index: number) => `${(index * step).toFixed(1)} ${(50 - value * 48).toFixed(1)}`
    return `M${highs.map(point).join('L')}L${lows.map(point).reverse().join('L')}Z`
})
const x = (seconds: number) => (seconds / props.seconds) * 1000
const picture = ref<SVGSVGElement>()
let began: number | null = null

/** The moment at which the mouse points, within the sound. */
function momentAt(event: PointerEvent) {
    const { left, width: wide } = picture.value!.getBoundingClientRect()
    return Math.max(0, Math.min(own.value, ((event.clientX - left) / wide) * props.seconds))
}
function press(event: PointerEvent) {
    if (event.button !== 0) return
    began = momentAt(event)
    picture.value!.setPointerCapture(event.pointerId)
    emit('mark', null)
}
function drag(event: PointerEvent) {
    if (began === null) return
    const now = momentAt(event)
    // A press without a move marks nothing.
    if (Math.abs(now - began) > props.seconds / 200)
        emit('mark', { from: Math.min(began, now), to: Math.max(began, now) })
}

const facts = computed(() =>
    [
        `${own.value.toFixed(2)} s`,
        `${props.side.rate} Hz`,
        props.side.channels === 1 ? 'mono' : props.side.channels === 2 ? 'stereo' : `${props.side.channels} channels`,
        props.side.loudness === null ? '' : `${props.side.loudness} LUFS`,
        props.side.truePeak === null ? '' : `${props.side.truePeak} dBTP`,
    ].filter(Boolean),
)
</script>

<template>
    <figure class="flex min-h-36 shrink-0 grow flex-col">
        <figcaption class="flex flex-wrap items-baseline gap-x-4">
            <span class="font-semibold">{{ label }}</span>
            <span v-if="side.rate" class="text-faint text-small font-mono">{{ facts.join(' · ') }}</span>
        </figcaption>
        <div class="border-line bg-paper mt-1 min-h-0 grow border" :class="isBase ? 'hatch' : ''">
            <svg
                v-if="side.highs.length > 0"
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
