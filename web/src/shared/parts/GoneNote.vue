<script setup lang="ts">
import StateNote from './StateNote.vue'

/** What an address leads to that was right once, or never. */
defineProps<{ path: string; nouns: string }>()
defineEmits<{ leave: [] }>()
</script>

<template>
    <StateNote title="Nothing lies here any more" data-test="gone">
        <span class="font-mono [overflow-wrap:anywhere]">{{ path }}</span> is not among the pack’s {{ nouns }}: it was
        renamed or taken out, which Undo takes back, or it was never there.
        <button type="button" class="word" @click="$emit('leave')">Show what is there</button>
    </StateNote>
</template>
