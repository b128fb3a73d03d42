<script setup lang="ts">
import { computed } from 'vue'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import { useTaken } from './taken'

/** A value that an entry has from another, faint until it is set here. */
const props = defineProps<{ pointer: string; label?: string }>()
defineEmits<{ set: [value: unknown] }>()
const path = useQueryValue('path')
const all = useTaken()
const taken = computed(() => all.value.get(props.pointer))
const shown = computed(() =>
    Array.isArray(taken.value?.value) ? `${taken.value.value.length} items` : String(taken.value?.value),
)
</script>

<template>
    <p v-if="taken" class="text-small flex flex-wrap items-center gap-x-3" data-test="taken">
        <span>
            <template v-if="label">{{ label }}: </template><span class="text-faint font-mono">{{ shown }}</span>
            from
            <button type="button" class="word" :title="taken.path" @click="path = taken.path">{{ taken.title }}</button>
        </span>
        <button type="button" class="word" @click="$emit('set', taken.value)">Set here</button>
    </p>
</template>
