<script setup lang="ts">
import type { Steps } from './useSteps'

/** Runs a step earlier or later, or takes it off. */
defineProps<{ steps: Steps; index: number; number: number; title: string; isBusy: boolean }>()
</script>

<template>
    <span class="text-small flex gap-2">
        <button
            v-if="index > 0"
            type="button"
            class="word"
            :disabled="isBusy"
            :aria-label="`Run ${title} earlier`"
            @click="steps.move(index, -1)"
        >
            ←
        </button>
        <button
            v-if="index < number - 1"
            type="button"
            class="word"
            :disabled="isBusy"
            :aria-label="`Run ${title} later`"
            @click="steps.move(index, 1)"
        >
            →
        </button>
        <button
            type="button"
            class="word"
            :disabled="isBusy"
            :aria-label="`Take off ${title}`"
            @click="steps.remove(index)"
        >
            Take off
        </button>
    </span>
</template>
