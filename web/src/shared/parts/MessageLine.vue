<script setup lang="ts">
import { isConnected } from '@/api/events'
import { useMessages } from '../composables/useMessages'
import { useWork } from '../composables/useWork'
import WorkLine from './WorkLine.vue'

/** The line at the foot of every page: what was done or what went wrong, with a word to take it back. */
const { shown, hush } = useMessages()
const { underWay } = useWork()

function act() {
    const run = shown.value?.act?.run
    hush()
    run?.()
}
</script>

<template>
    <footer
        class="border-line bg-film flex min-h-9 shrink-0 items-center border-t px-6 py-1 max-[700px]:min-h-7 max-[700px]:px-4"
        :class="'low:sticky low:bottom-0 low:z-20'"
    >
        <p v-if="!isConnected" class="mr-4" role="status" data-test="offline">
            <span class="text-madder font-bold" aria-hidden="true">▼ </span>Underlay does not answer. What you did is
            safe; this page goes on when it is back.
        </p>
        <WorkLine v-for="(work, i) in underWay" :key="i" :work="work" class="mr-6" />
        <div
            class="flex min-w-0 items-center gap-4"
            :role="shown?.isProblem ? 'alert' : 'status'"
            aria-live="polite"
            data-test="message"
        >
            <template v-if="shown">
                <span v-if="shown.isProblem" class="text-madder font-bold" aria-hidden="true">▼</span>
                <span class="line-clamp-2 min-w-0 break-words" :title="shown.text">{{ shown.text }}</span>
                <button v-if="shown.act" type="button" class="word shrink-0" @click="act">{{ shown.act.word }}</button>
                <button type="button" class="word shrink-0" @click="hush">Close</button>
            </template>
        </div>
        <p v-if="!shown && isConnected && underWay.length === 0" class="text-faint text-small max-[700px]:hidden">
            Each change is kept in the pack’s history. Ctrl+Z takes it back.
        </p>
    </footer>
</template>
