<script setup lang="ts">
import { valueAt } from '../schema'

/** What an entry has all for and does not claim, each a press away. */
const props = defineProps<{
    codes: readonly string[]
    field: string
    value: unknown
    nameOf: (code: string) => string
}>()
const emit = defineEmits<{ set: [pointer: string, value: unknown] }>()

function claim(code: string) {
    const now = valueAt(props.value, props.field)
    emit('set', props.field, [...(Array.isArray(now) ? (now as unknown[]) : []), code])
}
</script>

<template>
    <p v-for="code in codes" :key="code" class="text-small" data-test="unclaimed">
        It has all that is needed for {{ nameOf(code) }}, and does not claim it.
        <button type="button" class="word" @click="claim(code)">
            Claim it<span class="sr-only">: {{ nameOf(code) }}</span>
        </button>
    </p>
</template>
