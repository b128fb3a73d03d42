<script setup lang="ts">
import { PlayIcon, StopIcon } from '@heroicons/vue/24/outline'
import { keyOf, type NamedPart } from './useParts'

/** The parts of a recording: which are taken, as what, and each to be heard. */
const props = defineProps<{
    parts: readonly NamedPart[]
    /** Frames a second. */
    rate: number
    /** What is heard now. */
    playing: string | null
}>()
defineEmits<{ hear: [part: NamedPart]; tick: [index: number, isTaken: boolean] }>()

const seconds = (frames: number) => frames / props.rate
const says = (part: NamedPart) =>
    [
        part.kind === 'noise' ? 'a cough?' : part.kind === 'repeated' ? 'done again after it' : '',
        part.isFurther ? 'a further take' : '',
        part.isDoubtful ? 'worth hearing' : '',
    ]
        .filter(Boolean)
        .join(', ')
</script>

<template>
    <ol class="border-line h-72 min-w-0 grow overflow-y-auto border" aria-label="Parts">
        <li
            v-for="(part, index) in parts"
            :key="part.number"
            class="border-line text-small flex items-center gap-2 border-b px-2 py-1"
            data-test="part"
        >
            <input
                type="checkbox"
                class="m-1 size-4 shrink-0"
                :checked="part.isTaken"
                :aria-label="`Take part ${part.number}`"
                @change="$emit('tick', index, ($event.target as HTMLInputElement).checked)"
            />
            <button
                type="button"
                class="word flex size-6 shrink-0 items-center justify-center"
                :aria-label="`Hear part ${part.number}`"
                :aria-pressed="playing === keyOf(part)"
                @click="$emit('hear', part)"
            >
                <component :is="playing === keyOf(part) ? StopIcon : PlayIcon" class="size-4" aria-hidden="true" />
            </button>
            <span class="min-w-0 grow">
                <span class="flex items-baseline gap-2">
                    <span class="min-w-0 truncate font-mono font-semibold" :title="part.name">{{
                        part.name.slice(part.name.lastIndexOf('/') + 1)
                    }}</span>
                    <span class="text-faint ml-auto shrink-0 font-mono"
                        >at {{ seconds(part.from).toFixed(1) }} s, {{ seconds(part.to - part.from).toFixed(2) }} s</span
                    >
                </span>
                <span v-if="says(part)" class="block">
                    <span v-if="part.isDoubtful" class="text-saffron" aria-hidden="true">▮ </span>{{ says(part) }}
                </span>
            </span>
        </li>
    </ol>
</template>
