<script setup lang="ts">
import { computed } from 'vue'
import { api, data, type JobView } from '@/api/client'
import { whole } from '@/shared/words'

/** How far long work is, with a way to end it. */
const props = defineProps<{ job: JobView }>()
const isUnderWay = computed(() => props.job.state === 'queued' || props.job.state === 'running')
const share = computed(() => (props.job.total > 0 ? props.job.done / props.job.total : null))

const cancel = () => data(api.POST('/api/jobs/{id}/cancel', { params: { path: { id: props.job.id } } }))
</script>

<template>
    <div v-if="isUnderWay" class="flex items-center gap-3" role="status" data-test="job">
        <progress v-if="share !== null" class="h-2 w-40" :value="share" :aria-label="job.message"></progress>
        <progress v-else class="h-2 w-40" :aria-label="job.message"></progress>
        <span class="text-small"
            >{{ job.message }}{{ job.total > 0 ? `, ${whole(job.done)} of ${whole(job.total)}` : '' }}</span
        >
        <button type="button" class="word text-small" :disabled="job.cancelAsked" @click="cancel">
            {{ job.cancelAsked ? 'Cancelling …' : 'Cancel' }}
        </button>
    </div>
    <p v-else-if="job.state === 'failed'" class="text-small" role="alert">
        <span class="text-madder font-bold" aria-hidden="true">▼ </span>{{ job.message }}
    </p>
    <p v-else-if="job.state === 'cancelled'" class="text-faint text-small" role="status">{{ job.message }}</p>
</template>
