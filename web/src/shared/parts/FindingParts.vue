<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FindingView } from '@/api/client'
import { count } from '../words'
import FixButton from './FixButton.vue'

/** The files that a finding stands for, opened below it, and what else it does in the host. */
const props = defineProps<{ pack: string; finding: FindingView }>()
const first = 200
const isAll = ref(false)

const shown = computed(() => (isAll.value ? props.finding.parts : props.finding.parts.slice(0, first)))
/** Where all say the same, the finding has said it. */
const isAlike = computed(() => new Set(props.finding.parts.map((part) => part.message)).size === 1)
const words = computed(() => {
    const told = new Set([props.finding.name.path, ...props.finding.parts.map((part) => part.path)])
    return props.finding.outcomes.filter((outcome) => outcome.path !== '' && !told.has(outcome.path))
})
const alsoSays = computed(() => {
    const dropped = words.value.filter((o) => o.dropped !== null).length
    const wrong = [...Map.groupBy(words.value, (o) => o.as)].filter(([word]) => word !== null)
    return [
        dropped > 0 ? `leaves ${count(dropped, 'more file')} out` : '',
        ...wrong.map(([word, list]) => `makes ${count(list.length, 'more picture')} ${word}`),
    ]
        .filter(Boolean)
        .join(', ')
})
</script>

<template>
    <details v-if="finding.parts.length > 0" class="text-small" data-test="parts">
        <summary class="text-lake font-semibold">{{ count(finding.parts.length, 'file') }}</summary>
        <ul class="max-h-64 overflow-y-auto">
            <li v-for="part in shown" :key="part.path" class="border-line border-t py-1">
                <span class="block font-mono [overflow-wrap:anywhere]">{{ part.path }}</span>
                <span v-if="!isAlike" class="text-faint block">{{ part.message }}</span>
                <FixButton
                    v-if="part.fix && !finding.waived"
                    :pack="pack"
                    :finding="finding.name"
                    :part="part.path"
                    :fix="part.fix"
                />
            </li>
        </ul>
        <button v-if="shown.length < finding.parts.length" type="button" class="word" @click="isAll = true">
            Show all {{ finding.parts.length }}
        </button>
    </details>
    <details v-if="words.length > 0" class="text-small" data-test="outcomes">
        <summary class="text-lake font-semibold">It also {{ alsoSays }}</summary>
        <ul class="max-h-64 overflow-y-auto">
            <li v-for="outcome in words" :key="outcome.path" class="flex gap-3">
                <span class="text-faint w-20 shrink-0">{{ outcome.as ?? outcome.dropped }}</span>
                <span class="min-w-0 font-mono [overflow-wrap:anywhere]">{{ outcome.path }}</span>
            </li>
        </ul>
    </details>
</template>
