<script setup lang="ts">
/** The shape of a severity: a notch for a blocker, a tick for a warning, a dot for a note. */
defineProps<{ severity: string }>()
</script>

<template>
    <svg v-if="severity === 'blocker'" width="11" height="10" viewBox="0 0 11 10" role="img" aria-label="Blocker">
        <path d="M0.5 0.5h10L5.5 9z" class="fill-madder" />
    </svg>
    <svg v-else-if="severity === 'warning'" width="7" height="12" viewBox="0 0 7 12" role="img" aria-label="Warning">
        <rect x="1" y="1" width="5" height="10" class="fill-saffron stroke-ink" />
    </svg>
    <svg v-else width="8" height="8" viewBox="0 0 8 8" role="img" aria-label="Note">
        <circle cx="4" cy="4" r="3" class="fill-faint" />
    </svg>
</template>
