<script setup lang="ts">
import { computed } from 'vue'
import { fileUrl, type PackSummary } from '@/api/client'

/** A pack's front picture; a few of its own pictures where it has none, and the base's hatch where it has nothing yet. */
const props = defineProps<{ pack: string; summary: PackSummary; version: string | null }>()
const urlOf = (path: string) => fileUrl(props.pack, path, props.version)
const looks = computed(() => props.summary.looks.slice(0, props.summary.looks.length > 1 ? 4 : 1))
</script>

<template>
    <img v-if="summary.front" :src="urlOf(summary.front)" alt="" class="object-cover" />
    <span v-else class="hatch border-line grid overflow-hidden border" aria-hidden="true">
        <span
            v-if="looks.length > 0"
            class="grid min-h-0 gap-px"
            :class="looks.length > 2 ? 'grid-cols-2 grid-rows-2' : looks.length === 2 ? 'grid-cols-2' : ''"
        >
            <img
                v-for="path in looks"
                :key="path"
                :src="urlOf(path)"
                alt=""
                class="pixels size-full min-h-0 min-w-0 object-cover"
                loading="lazy"
            />
        </span>
    </span>
</template>
