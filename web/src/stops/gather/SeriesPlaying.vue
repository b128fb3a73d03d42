<script setup lang="ts">
import { useIntervalFn, usePreferredReducedMotion } from '@vueuse/core'
import { computed, ref } from 'vue'
import { fileUrl, type TrayRow } from '@/api/client'

/** A series playing in the order in which the host will show it; it stands still where motion is not wanted, and while paused. */
const props = defineProps<{ pack: string; rows: readonly TrayRow[] }>()
const wait = 100
const at = ref(0)
const motion = usePreferredReducedMotion()
const { pause, resume, isActive } = useIntervalFn(() => (at.value = (at.value + 1) % props.rows.length), wait, {
    immediate: motion.value !== 'reduce',
})
const row = computed(() => props.rows[at.value % props.rows.length]!)
</script>

<template>
    <span class="flex items-center gap-2">
        <img
            :src="fileUrl(pack, row.path, row.hash)"
            alt=""
            class="pixels size-[48px] object-contain"
            data-test="series-playing"
        />
        <button type="button" class="word" @click="isActive ? pause() : resume()">
            {{ isActive ? 'Stop' : 'Play' }}
        </button>
    </span>
</template>
