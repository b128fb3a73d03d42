<script setup lang="ts">
import { MagnifyingGlassMinusIcon, MagnifyingGlassPlusIcon } from '@heroicons/vue/24/outline'
import type { Span } from './span'

/** How much is seen of the sounds, and from where they are heard. */
defineProps<{ span: Span; length: number; isWhole: boolean }>()
const cursor = defineModel<number | null>('cursor', { required: true })
defineEmits<{ zoom: [times: number]; show: [start: number]; all: [] }>()
</script>

<template>
    <span class="text-small ml-auto flex items-center gap-2" role="group" aria-label="What is seen">
        <span v-if="cursor !== null" class="whitespace-nowrap">
            heard from <span class="font-mono">{{ cursor.toFixed(2) }} s</span>
            <button type="button" class="word ml-2" @click="cursor = null">from the start</button>
        </span>
        <input
            v-if="!isWhole"
            type="range"
            class="accent-ink w-28"
            min="0"
            :max="length - (span.to - span.from)"
            step="any"
            :value="span.from"
            aria-label="Where, seconds"
            :aria-valuetext="`${span.from.toFixed(2)} to ${span.to.toFixed(2)} seconds`"
            @input="$emit('show', Number(($event.target as HTMLInputElement).value))"
        />
        <button
            type="button"
            class="press p-1.5"
            title="Wider (-)"
            aria-label="Wider"
            :disabled="isWhole"
            @click="$emit('zoom', 2)"
        >
            <MagnifyingGlassMinusIcon class="size-4" aria-hidden="true" />
        </button>
        <button type="button" class="press p-1.5" title="Closer (+)" aria-label="Closer" @click="$emit('zoom', 0.5)">
            <MagnifyingGlassPlusIcon class="size-4" aria-hidden="true" />
        </button>
        <button v-if="!isWhole" type="button" class="word" title="Key 0" @click="$emit('all')">All</button>
    </span>
</template>
