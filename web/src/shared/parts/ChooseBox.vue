<script setup lang="ts">
import type { Selection } from '../composables/useSelection'

/** The box by which a row is selected, in the margin before it; seen where it is wanted. Space does the same. */
defineProps<{ path: string; selection: Selection }>()
</script>

<template>
    <label class="choose" :class="selection.rows.value.length > 0 ? 'is-shown' : ''">
        <span class="sr-only">Select {{ path }}</span>
        <input
            type="checkbox"
            tabindex="-1"
            :checked="selection.has(path)"
            @click="$event.shiftKey ? selection.reach(path) : selection.toggle(path)"
        />
    </label>
</template>

<style scoped>
.choose {
    position: absolute;
    inset: 0 auto 0 0;
    width: 22px;
    display: flex;
    align-items: center;
    justify-content: center;
    opacity: 0;
}

:global(.row:hover) .choose,
:global(.row:focus-within) .choose,
.choose.is-shown,
.choose:has(:checked) {
    opacity: 1;
}

@media (hover: none) {
    .choose {
        opacity: 1;
    }
}
</style>
