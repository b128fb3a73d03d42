<script setup lang="ts">
import { PlayIcon, StopIcon } from '@heroicons/vue/24/outline'
import { computed, ref, watch } from 'vue'
import { baseUrl, fileUrl, type PackSummary, type SoundView } from '@/api/client'
import { useKeys } from '@/shared/composables/useKeys'
import PathText from '@/shared/parts/PathText.vue'
import MarkedPart from './MarkedPart.vue'
import RulesAside from './RulesAside.vue'
import SoundForms from './SoundForms.vue'
import SoundSteps from './SoundSteps.vue'
import SpanBar from './SpanBar.vue'
import { useListening, type Piece } from '@/shared/composables/useListening'
import type { Steps } from './useSteps'
import { useSpan } from './useSpan'
import WavePane from './WavePane.vue'

/** The base's sound and yours above each other, heard by turns at one loudness, and the seam of a loop. */
const props = defineProps<{ pack: string; summary: PackSummary; sound: SoundView; steps: Steps }>()
const listening = useListening()
const { playing, at, problem } = listening
/** The part of yours that is marked. Seconds. */
const part = ref<{ from: number; to: number } | null>(null)
watch(() => props.sound.path, listening.stop)
watch([() => props.sound.path, () => props.sound.yours?.hash], () => (part.value = null))

const sides = computed(() => ({ base: props.sound.base ?? null, yours: props.sound.yours ?? null }))
const lengthOf = (side: 'base' | 'yours') => {
    const found = sides.value[side]
    return found?.rate ? found.frames / found.rate : 0
}
const seconds = computed(() => Math.max(0.01, lengthOf('base'), lengthOf('yours')))
const { span, cursor, zoom, show, all, isWhole } = useSpan(() => props.sound.path, seconds)
/** From the cursor on, if it lies in the sound. */
const rest = (side: 'base' | 'yours') =>
    cursor.value !== null && cursor.value < lengthOf(side) ? { from: cursor.value, to: lengthOf(side) } : undefined
const heard = computed(() => (sides.value.yours ? 'yours' : 'base'))
/** The loop as seconds, where it lies in the sound that is played. */
const loop = computed(() => {
    const { loopFrom, loopTo } = props.sound
    const side = sides.value[heard.value]
    if (loopFrom === null || loopTo === null || !side?.rate || loopFrom >= loopTo || loopTo > side.frames) return null
    return { from: loopFrom / side.rate, to: loopTo / side.rate }
})
const url = (side: 'base' | 'yours') =>
    side === 'yours'
        ? fileUrl(props.pack, props.sound.path, props.sound.yours!.hash)
        : baseUrl(props.summary.host, props.summary.edition, props.sound.path, props.sound.base!.hash)
/** What brings the base's to the loudness of yours. */
const evened = computed(() => {
    const [base, yours] = [sides.value.base?.loudness, sides.value.yours?.loudness]
    return typeof base === 'number' && typeof yours === 'number' ? Math.max(-24, Math.min(12, yours - base)) : 0
})

const pieces = computed(() => {
    const list: { name: string; word: string; key: string; piece: Piece }[] = []
    if (sides.value.yours?.rate)
        list.push({ name: 'yours', word: 'Yours', key: 'p', piece: { url: url('yours'), part: rest('yours') } })
    if (sides.value.base?.rate)
        list.push({
            name: 'base',
            word: evened.value === 0 ? 'The base’s' : 'The base’s, as loud as yours',
            key: 'o',
            piece: { url: url('base'), gain: evened.value, part: rest('base') },
        })
    if (part.value) {
        const { from, to } = part.value
        list.push({ name: 'part', word: 'The part', key: 'm', piece: { url: url('yours'), part: { from, to } } })
    }
    if (loop.value) {
        const { from, to } = loop.value
        const piece = { url: url(heard.value), loop: { from, to, start: Math.max(from, to - 1.5) } }
        list.push({ name: 'seam', word: 'The loop’s seam', key: 'l', piece })
    }
    return list
})
const press = (key: string) => {
    const found = pieces.value.find((one) => one.key === key)
    if (found) void listening.play(found.name, found.piece)
}
useKeys({ p: () => press('p'), o: () => press('o'), l: () => press('l'), m: () => press('m') })
</script>

<template>
    <div class="flex min-h-0 grow max-[700px]:flex-col max-[700px]:overflow-y-auto">
        <div
            class="flex min-w-0 grow flex-col gap-3 overflow-y-auto px-6 py-3"
            :class="'max-[700px]:shrink-0 max-[700px]:overflow-visible max-[700px]:px-4'"
        >
            <div class="flex flex-wrap items-baseline gap-x-5 gap-y-1">
                <h2 class="text-large min-w-0 truncate font-bold" :title="`${sound.title} · ${sound.noun}`">
                    {{ sound.title }} · {{ sound.noun }}
                </h2>
                <PathText :path="sound.path" class="max-w-[360px]" />
            </div>
            <div class="flex flex-wrap items-center gap-2" role="group" aria-label="Listen">
                <button
                    v-for="one in pieces"
                    :key="one.name"
                    type="button"
                    class="press"
                    :class="playing === one.name ? 'press-main' : ''"
                    :aria-pressed="playing === one.name"
                    :data-test="`play-${one.name}`"
                    :title="`Key ${one.key}`"
                    @click="listening.play(one.name, one.piece)"
                >
                    <component
                        :is="playing === one.name ? StopIcon : PlayIcon"
                        class="mr-1 inline size-4 align-[-3px]"
                        aria-hidden="true"
                    />{{ one.word }}
                </button>
                <SpanBar
                    v-model:cursor="cursor"
                    :span="span"
                    :length="seconds"
                    :is-whole="isWhole"
                    @zoom="zoom"
                    @show="show"
                    @all="all"
                />
                <span v-if="problem" class="text-madder text-small" role="alert">{{ problem }}</span>
                <span v-if="pieces.length === 0" class="text-faint">Neither can be played.</span>
            </div>
            <WavePane
                v-if="sound.yours"
                :pack="pack"
                :path="sound.path"
                :side="sound.yours"
                :span="span"
                :cursor="cursor"
                label="Yours"
                :loop="loop"
                :marked="part"
                :at="playing === 'yours' || playing === 'part' || (playing === 'seam' && heard === 'yours') ? at : null"
                @mark="part = $event"
                @point="cursor = $event"
                @zoom="zoom"
            />
            <MarkedPart v-if="sound.yours?.rate" v-model="part" :pack="pack" :sound="sound" :steps="steps" />
            <WavePane
                v-if="sound.base"
                :pack="pack"
                :path="sound.path"
                :side="sound.base"
                :span="span"
                :cursor="cursor"
                label="The base’s"
                is-base
                :loop="sound.yours ? null : loop"
                :at="playing === 'base' || (playing === 'seam' && heard === 'base') ? at : null"
                @point="cursor = $event"
                @zoom="zoom"
            />
            <SoundSteps :sound="sound" :steps="steps" class="shrink-0" />
            <SoundForms :pack="pack" :sound="sound" :steps="steps" class="shrink-0" />
        </div>
        <RulesAside :pack="pack" :picture="sound" />
    </div>
</template>
