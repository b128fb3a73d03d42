<script setup lang="ts">
import { computed } from 'vue'
import type { StepKindView } from '@/api/client'
import StepFields from './StepFields.vue'
import StepTurns from './StepTurns.vue'
import type { Steps } from './useSteps'

/** What a step does, what can be set of it, and where it stands in the line. */
const props = defineProps<{
    steps: Steps
    kinds: readonly StepKindView[]
    index: number
    number: number
    title: string
    isBusy: boolean
}>()
const step = computed(() => props.steps.list.value[props.index])
const kind = computed(() => props.kinds.find((one) => one.do === step.value?.do))
</script>

<template>
    <span>
        <strong class="block max-w-64">{{ title }}</strong>
        <StepFields
            v-if="step && kind"
            :step="step"
            :kind="kind"
            :title="title"
            :is-busy="isBusy"
            @change="steps.change(index, $event)"
        />
        <StepTurns :steps="steps" :index="index" :number="number" :title="title" :is-busy="isBusy" />
    </span>
</template>
