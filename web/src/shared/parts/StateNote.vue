<script setup lang="ts">
/** What stands where content would: while it loads, when it failed, when there is none. */
defineProps<{ isLoading?: boolean; problem?: Error | null; title?: string }>()
defineEmits<{ again: [] }>()
</script>

<template>
    <div v-if="isLoading" class="text-faint px-6 py-10" role="status">Fetching …</div>
    <div v-else-if="problem" class="px-6 py-10" role="alert">
        <p class="font-semibold"><span class="text-madder" aria-hidden="true">▼ </span>{{ problem.message }}</p>
        <button type="button" class="press mt-3" @click="$emit('again')">Try again</button>
    </div>
    <div v-else class="max-w-2xl px-6 py-10">
        <p v-if="title" class="text-large font-semibold">{{ title }}</p>
        <div class="text-faint mt-1"><slot /></div>
    </div>
</template>
