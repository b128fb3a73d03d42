<script setup lang="ts">
import { computed } from 'vue'

/** A file's name with its folder before it, on one line: where room is short the folder gives way first. */
const props = defineProps<{ path: string }>()
const parts = computed(() => props.path.split('/'))
</script>

<template>
    <span class="text-tiny flex min-w-0 font-mono" :title="path">
        <span v-if="parts.length > 1" class="text-faint min-w-0 shrink-[1000] truncate">{{ parts.at(-2) }}/</span>
        <span class="min-w-0 truncate">{{ parts.at(-1) }}</span>
    </span>
</template>
