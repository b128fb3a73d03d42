<script setup lang="ts">
/** Narrows a list to what has some words, and to what has findings; says so where nothing is left. */
defineProps<{
    /** What is searched: "the pack’s pictures". */
    label: string
    /** What stands in the empty field. */
    hint: string
    isEmpty: boolean
}>()
const words = defineModel<string>('words', { required: true })
const isFoundOnly = defineModel<boolean>('isFoundOnly', { required: true })
</script>

<template>
    <div class="flex flex-col gap-1">
        <label class="flex items-center gap-2">
            <span class="sr-only">Find in {{ label }}</span>
            <input
                v-model="words"
                type="search"
                class="field text-small"
                :placeholder="hint"
                data-search
                @keydown.esc="words = ''"
            /><kbd class="key" aria-hidden="true">/</kbd>
        </label>
        <label class="text-small flex items-center gap-1.5">
            <input v-model="isFoundOnly" type="checkbox" />With findings only
        </label>
        <p v-if="isEmpty" class="text-faint text-small">
            Nothing has this.
            <button type="button" class="word" @click="((words = ''), (isFoundOnly = false))">Show all</button>
        </p>
    </div>
</template>
