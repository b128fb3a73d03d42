<script setup lang="ts">
import { computed } from 'vue'

/** A file's name, and below it the folder that it lies in. */
const props = defineProps<{ path: string }>()
const parts = computed(() => props.path.split('/'))
</script>

<template>
    <span class="text-tiny block min-w-0 font-mono" :title="path">
        <span class="block truncate">{{ parts.at(-1) }}</span>
        <span class="text-faint block truncate">{{ parts.length > 1 ? `${parts.at(-2)}/` : '' }}</span>
    </span>
</template>
