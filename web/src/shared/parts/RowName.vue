<script setup lang="ts">
import { capital } from '../words'
import { canOpen, type Row } from '../ledger'
import PathText from './PathText.vue'

defineProps<{ row: Row }>()
defineEmits<{ open: [] }>()
</script>

<template>
    <div class="min-w-0">
        <p class="truncate">
            <button
                v-if="canOpen(row)"
                type="button"
                class="max-w-full truncate font-semibold hover:underline"
                @click="$emit('open')"
            >
                {{ row.title }}
            </button>
            <span v-else class="font-semibold">{{ row.title }}</span>
            <span v-if="row.noun && row.noun !== row.title.toLowerCase()" class="text-faint text-small ml-2">
                {{ capital(row.noun) }}</span
            >
        </p>
        <PathText :path="row.path" />
    </div>
</template>
