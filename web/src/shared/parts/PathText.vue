<script setup lang="ts">
import { computed } from 'vue'

/** A path that is cut in the middle when there is no room: its end tells most. */
const props = defineProps<{ path: string }>()
const cut = computed(() => props.path.lastIndexOf('/') + 1)
</script>

<template>
    <span class="text-faint text-small flex min-w-0 font-mono" :title="path">
        <span class="min-w-0 truncate">{{ path.slice(0, cut) }}</span><span class="max-w-full shrink-0 truncate">{{
            path.slice(cut)
        }}</span>
    </span>
</template>
