<script setup lang="ts">
import { ArrowDownIcon, ArrowUpIcon, Bars2Icon } from '@heroicons/vue/24/outline'
import type { DragOrder } from './useDragOrder'

/** What moves one of several items, and takes it out. */
defineProps<{ index: number; number: number; drag: DragOrder }>()
defineEmits<{ move: [by: number]; remove: [] }>()
</script>

<template>
    <div class="flex shrink-0 items-center gap-1">
        <span
            v-if="number > 1"
            draggable="true"
            class="flex size-6 cursor-grab items-center justify-center"
            title="Drag to move it"
            aria-hidden="true"
            data-test="drag"
            v-on="drag.handle(index)"
            ><Bars2Icon class="size-4"
        /></span>
        <button
            type="button"
            class="press"
            :disabled="index === 0"
            :aria-label="`Move number ${index + 1} up`"
            title="Move up"
            @click="$emit('move', -1)"
        >
            <ArrowUpIcon class="size-4" aria-hidden="true" />
        </button>
        <button
            type="button"
            class="press"
            :disabled="index === number - 1"
            :aria-label="`Move number ${index + 1} down`"
            title="Move down"
            @click="$emit('move', 1)"
        >
            <ArrowDownIcon class="size-4" aria-hidden="true" />
        </button>
        <button type="button" class="word text-small ml-1" @click="$emit('remove')">
            Take out<span class="sr-only"> number {{ index + 1 }}</span>
        </button>
    </div>
</template>
