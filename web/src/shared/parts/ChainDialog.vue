<script setup lang="ts">
import { computed } from 'vue'
import { useFixes, wouldBe } from '../composables/useFixes'
import { useRepairChain } from '../composables/useRepairChain'
import { useWork } from '../composables/useWork'
import { count } from '../words'
import UDialog from './UDialog.vue'
import WorkLine from './WorkLine.vue'

/** Shows the repairs that hold only together, each in its turn, before they are made as one change. */
const { shown, leave } = useRepairChain()
const fixes = useFixes(() => shown.value?.pack ?? '')
const { underWay } = useWork()
const most = 6

// Begun, it is seen through.
const isOpen = computed({
    get: () => shown.value !== null,
    set: (open) => {
        if (!open && !fixes.isBusy.value) leave()
    },
})
const held = computed(() => shown.value?.held ?? [])
const steps = computed(() => held.value.reduce((sum, fix) => sum + fix.chain.length, 0))

async function make() {
    if (shown.value && (await fixes.applyTogether(shown.value.fixes))) leave()
}
</script>

<template>
    <UDialog v-model="isOpen" title="These hold only together" is-wide>
        <div class="max-h-[50vh] overflow-y-auto">
            <section v-for="fix in held.slice(0, most)" :key="fix.path + fix.title" class="mb-4">
                <p class="[overflow-wrap:anywhere]">“{{ fix.title }}” alone would not do: {{ wouldBe(fix) }}.</p>
                <ol class="mt-2 list-decimal pl-6" data-test="together">
                    <li v-for="(title, at) in fix.chain" :key="at" class="[overflow-wrap:anywhere]">{{ title }}</li>
                </ol>
            </section>
            <p v-if="held.length > most" class="text-faint">
                and {{ count(held.length - most, 'other file') }} likewise.
            </p>
        </div>
        <p class="text-faint text-small mt-2">
            They are one change, which one undo takes back. Your files are kept as sources.
        </p>
        <div class="mt-5 flex flex-wrap gap-3">
            <button
                type="button"
                class="press press-main"
                :disabled="fixes.isBusy.value"
                data-test="make-together"
                @click="make"
            >
                {{ fixes.isBusy.value ? 'Working …' : steps === 2 ? 'Do both' : `Do all ${steps}` }}
            </button>
            <button type="button" class="press" @click="leave">Leave it</button>
        </div>
        <!-- The page's foot is out of reach meanwhile. -->
        <WorkLine v-for="(work, i) in underWay" :key="i" :work="work" class="mt-4" />
    </UDialog>
</template>
