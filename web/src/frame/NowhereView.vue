<script setup lang="ts">
import StateNote from '@/shared/parts/StateNote.vue'
</script>

<template>
    <StateNote title="There is nothing at this address">
        It may be mistyped, or the pack was deleted.
        <router-link class="word" :to="{ name: 'packs' }">See all packs</router-link>
    </StateNote>
</template>
