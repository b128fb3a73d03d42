<script setup lang="ts">
import { computed } from 'vue'
import type { Work } from '../composables/useWork'

/** What is under way and how much of it is done, with a way to end it. */
const props = defineProps<{ work: Work }>()
// Once all was sent, the server has it in hand, and does not say for how long.
const share = computed(() => (props.work.share === 1 ? undefined : (props.work.share ?? undefined)))
</script>

<template>
    <!-- What is done at once does not flash. -->
    <div class="late flex shrink-0 items-center gap-3" role="status" data-test="work">
        <progress class="h-2 w-40" :value="share" :aria-label="work.what"></progress>
        <span class="text-small">{{ work.what }} …</span>
        <button type="button" class="word text-small" :disabled="work.isStopping" @click="work.stop">
            {{ work.isStopping ? 'Cancelling …' : 'Cancel' }}
        </button>
    </div>
</template>
