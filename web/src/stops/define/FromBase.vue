<script setup lang="ts">
import { computed } from 'vue'
import { differences, fieldWords, shortly } from './differences'

/** In what an entry differs from the one of the base that it lies over; each can be put back. */
const props = defineProps<{ below: unknown; value: unknown }>()
defineEmits<{ set: [pointer: string, value: unknown] }>()
const found = computed(() => (props.value === null ? [] : differences(props.below, props.value)))
</script>

<template>
    <section class="mt-5" data-test="from-base">
        <h2 class="font-bold">Changed from the base’s</h2>
        <p v-if="found.length === 0" class="text-faint text-small">Nothing.</p>
        <ul>
            <li v-for="one in found" :key="one.pointer" class="border-line text-small flex gap-2 border-t py-1">
                <span class="min-w-0 grow break-words">
                    {{ fieldWords(one.pointer) }}
                    <span class="font-mono">{{ shortly(one.was) }} → {{ shortly(one.now) }}</span>
                </span>
                <button
                    type="button"
                    class="word shrink-0"
                    :aria-label="`Put ${fieldWords(one.pointer)} back`"
                    @click="$emit('set', one.pointer, one.was)"
                >
                    Put back
                </button>
            </li>
        </ul>
    </section>
</template>
