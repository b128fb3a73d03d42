<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SoundView } from '@/api/client'
import { bytes } from '@/shared/words'
import AddStep from './AddStep.vue'
import RecordDialog from '@/shared/parts/RecordDialog.vue'
import StepPlate from './StepPlate.vue'
import type { Steps } from './useSteps'

/** The steps of a sound as a line of plates, from the recording to what is in the pack. */
const props = defineProps<{ sound: SoundView; steps: Steps }>()
const input = ref<HTMLInputElement>()
const isRecording = ref(false)

const isBusy = computed(() => props.steps.isBusy.value)
const yours = computed(() => props.sound.yours)
const says = (side: { rate: number; frames: number; channels: number }) =>
    side.rate
        ? [
              `${(side.frames / side.rate).toFixed(2)} s`,
              `${side.rate} Hz`,
              side.channels === 1 ? 'mono' : `${side.channels} channels`,
          ].join(', ')
        : 'not readable'

function choose(event: Event) {
    const field = event.target as HTMLInputElement
    const file = field.files?.[0]
    field.value = ''
    if (file) void props.steps.renew(file)
}
</script>

<template>
    <section aria-label="Steps">
        <p class="text-faint text-small pb-1">
            Steps, from your recording to what goes into the pack. Drop a new recording here and they run again; a loop
            stays where it is heard.
        </p>
        <p v-if="sound.stepsProblem" class="text-small pb-1" role="alert" data-test="steps-problem">
            <span class="text-madder" aria-hidden="true">▼ </span>{{ sound.stepsProblem }}
        </p>
        <ol class="flex flex-wrap items-stretch gap-2">
            <li class="border-line bg-paper rounded-card border px-3 py-1.5">
                <strong class="block">Recording</strong>
                <span class="text-faint text-small block">{{
                    yours ? says(sound.source ?? yours) : 'none of yours yet'
                }}</span>
                <span class="text-small flex gap-3">
                    <button
                        type="button"
                        class="word"
                        :disabled="isBusy"
                        data-test="open-recorder"
                        @click="isRecording = true"
                    >
                        Record …
                    </button>
                    <button type="button" class="word" :disabled="isBusy" @click="input?.click()">
                        Choose a file …
                    </button>
                </span>
                <input
                    ref="input"
                    type="file"
                    accept="audio/*,.opus,.flac,.aiff,.aif"
                    class="hidden"
                    aria-label="Choose a recording"
                    @change="choose"
                />
            </li>
            <template v-for="(plate, index) in sound.steps" :key="index">
                <li class="self-center" aria-hidden="true">→</li>
                <li class="border-line bg-paper rounded-card border px-3 py-1.5" data-test="step">
                    <StepPlate
                        :steps="steps"
                        :kinds="sound.kinds"
                        :index="index"
                        :number="sound.steps.length"
                        :title="plate.title"
                        :is-busy="isBusy"
                    />
                </li>
            </template>
            <template v-if="sound.source && yours">
                <li class="self-center" aria-hidden="true">→</li>
                <li class="border-ink bg-paper rounded-card border px-3 py-1.5" data-test="step-result">
                    <strong class="block">Result</strong>
                    <span class="text-faint text-small">{{ says(yours) }}, {{ bytes(yours.length) }}</span>
                </li>
            </template>
            <li v-if="yours" class="self-center">
                <AddStep :offers="sound.offers" :is-disabled="isBusy || sound.offers.length === 0" @add="steps.add" />
            </li>
        </ol>
        <RecordDialog v-model="isRecording" :title="`Record ${sound.title}`" :is-busy="isBusy" :use="steps.renew" />
    </section>
</template>
