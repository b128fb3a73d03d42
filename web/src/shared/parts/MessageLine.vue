<script setup lang="ts">
import { isConnected } from '@/api/events'
import { useMessages } from '../composables/useMessages'

const { shown, hush } = useMessages()

function act() {
    const run = shown.value?.act?.run
    hush()
    run?.()
}
</script>

<template>
    <div class="pointer-events-none fixed inset-x-0 bottom-4 z-40 flex flex-col items-center gap-2 px-6">
        <p
            v-if="!isConnected"
            class="border-madder bg-paper text-small rounded-card border px-4 py-2"
            role="status"
            data-test="offline"
        >
            Underlay does not answer. What you did is safe; this page goes on when it is back.
        </p>
        <div
            :class="
                shown
                    ? 'border-ink bg-paper rounded-card pointer-events-auto flex max-w-3xl items-start gap-4 border px-4 py-2'
                    : ''
            "
            :role="shown?.isProblem ? 'alert' : 'status'"
            aria-live="polite"
            data-test="message"
        >
            <template v-if="shown">
                <span v-if="shown.isProblem" class="text-madder font-bold" aria-hidden="true">▼</span>
                <span class="min-w-0 break-words">{{ shown.text }}</span>
                <button v-if="shown.act" type="button" class="word shrink-0" @click="act">{{ shown.act.word }}</button>
                <button type="button" class="word shrink-0" @click="hush">Close</button>
            </template>
        </div>
    </div>
</template>
