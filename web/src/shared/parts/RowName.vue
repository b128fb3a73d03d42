<script setup lang="ts">
import { computed } from 'vue'
import { capital } from '../words'
import type { Row } from '../ledger'
import PathText from './PathText.vue'

const props = defineProps<{ row: Row }>()
defineEmits<{ open: [] }>()
const canOpen = computed(
    () =>
        !['missing', 'pack', 'several'].includes(props.row.state) &&
        (props.row.place !== null || props.row.noun === 'manifest'),
)
</script>

<template>
    <div class="min-w-0">
        <p class="truncate">
            <button
                v-if="canOpen"
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
