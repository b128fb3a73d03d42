<script setup lang="ts">
import { computed } from 'vue'
import UDialog from '@/shared/parts/UDialog.vue'
import { count } from '@/shared/words'
import type { Import } from './useImport'

const props = defineProps<{ importing: Import }>()
const isOpen = computed({
    get: () => props.importing.waiting.value.length > 0,
    set: (open) => {
        if (!open) props.importing.forget()
    },
})
</script>

<template>
    <UDialog v-model="isOpen" title="For which host is it?">
        <p>{{ count(importing.waiting.value.length, 'file') }}.</p>
        <div class="mt-4 flex flex-wrap gap-3">
            <button
                v-for="host in importing.hosts.value"
                :key="host.key"
                type="button"
                class="press"
                @click="importing.run(host.key, importing.waiting.value)"
            >
                {{ host.title }}
            </button>
        </div>
    </UDialog>
</template>
