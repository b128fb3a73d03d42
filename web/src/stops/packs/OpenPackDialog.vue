<script setup lang="ts">
import { computed } from 'vue'
import UDialog from '@/shared/parts/UDialog.vue'
import type { Import } from './useImport'

const { importing } = defineProps<{ importing: Import }>()
const isOpen = computed({
    get: () => importing.waiting.value.length > 0,
    set: (open) => {
        if (!open) importing.forget()
    },
})
/** The folder or the archive. */
const name = computed(() => {
    const first = importing.waiting.value[0]?.path ?? ''
    return first.includes('/') ? first.split('/', 1)[0] : importing.waiting.value.length > 1 ? 'What you chose' : first
})
</script>

<template>
    <UDialog v-model="isOpen" title="For which host is it?">
        <p>{{ name }} has neither a manifest nor a name that says it. Nothing was taken yet.</p>
        <div class="mt-4 flex flex-wrap gap-3">
            <button
                v-for="host in importing.hosts.value"
                :key="host.key"
                type="button"
                class="press"
                @click="importing.run(importing.waiting.value, host.key)"
            >
                {{ host.title }}
            </button>
            <button type="button" class="word" @click="importing.forget()">Not now</button>
        </div>
    </UDialog>
</template>
