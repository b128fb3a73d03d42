<script setup lang="ts">
import { whole } from '@/shared/words'

/** Narrows the tray to files that have some words, and to one of its groups. */
defineProps<{ kinds: readonly { key: string; title: string; number: number }[] }>()
const words = defineModel<string>('words', { required: true })
const only = defineModel<string>('only', { required: true })
</script>

<template>
    <label class="w-44">
        <span class="sr-only">Find in the tray</span>
        <input
            v-model="words"
            type="search"
            class="field text-small"
            placeholder="Find in the tray"
            @keydown.esc="words = ''"
        />
    </label>
    <label>
        <span class="sr-only">Which files of the tray</span>
        <select v-model="only" class="field text-small">
            <option value="">All of the tray</option>
            <option v-for="kind in kinds" :key="kind.key" :value="kind.key">
                {{ kind.title }}: {{ whole(kind.number) }}
            </option>
        </select>
    </label>
</template>
