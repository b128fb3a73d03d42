<script setup lang="ts">
import { computed, ref } from 'vue'
import { fileUrl, type PictureView } from '@/api/client'
import { bytes, pixels } from '@/shared/words'
import AddStep from './AddStep.vue'
import StepPlate from './StepPlate.vue'
import type { Steps } from './useSteps'

/** The steps as a line of plates from source to result. */
const props = defineProps<{ pack: string; picture: PictureView; steps: Steps }>()
const input = ref<HTMLInputElement>()

const isBusy = computed(() => props.steps.isBusy.value)
const yours = computed(() => props.picture.yours!)
const after = (index: number) =>
    `/api/packs/${props.pack}/picture/step?path=${encodeURIComponent(props.picture.path)}&after=${index}&of=${yours.value.hash}`

/** From a step on that is not known nothing runs, so nothing can be shown. */
const knownUpTo = computed(() => {
    const at = props.picture.steps.findIndex((plate) => !plate.isKnown)
    return at < 0 ? props.picture.steps.length : at
})

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
            Steps, from the file you saved to what goes into the pack. Drop a new picture here and they run again.
        </p>
        <p v-if="picture.stepsProblem" class="text-small pb-1" role="alert" data-test="steps-problem">
            <span class="text-madder" aria-hidden="true">▼ </span>{{ picture.stepsProblem }}
        </p>
        <ol class="flex flex-wrap items-stretch gap-2">
            <li class="plate border-line bg-paper rounded-card flex items-center gap-3 border px-2 py-1.5">
                <img
                    :src="picture.source ? after(0) : fileUrl(pack, picture.path, yours.hash)"
                    alt=""
                    class="pixels size-11 object-contain"
                />
                <span>
                    <strong class="block">Source</strong>
                    <span class="text-faint text-small">{{ pixels((picture.source ?? yours).size) }}</span>
                    <button type="button" class="word text-small ml-2" :disabled="isBusy" @click="input?.click()">
                        New source …
                    </button>
                </span>
                <input
                    ref="input"
                    type="file"
                    accept="image/*,.tga,.dds,.bmp"
                    class="hidden"
                    aria-label="New source"
                    @change="choose"
                />
            </li>
            <template v-for="(plate, index) in picture.steps" :key="index">
                <li class="self-center" aria-hidden="true">→</li>
                <li
                    class="border-line bg-paper rounded-card flex items-center gap-3 border px-2 py-1.5"
                    data-test="step"
                >
                    <img
                        v-if="index < knownUpTo"
                        :src="after(index + 1)"
                        alt=""
                        class="pixels size-11 object-contain"
                    />
                    <StepPlate
                        :steps="steps"
                        :kinds="picture.kinds"
                        :index="index"
                        :number="picture.steps.length"
                        :title="plate.title"
                        :is-busy="isBusy"
                    />
                </li>
            </template>
            <template v-if="picture.steps.length > 0">
                <li class="self-center" aria-hidden="true">→</li>
                <li class="border-ink bg-paper rounded-card flex items-center gap-3 border px-2 py-1.5">
                    <img :src="fileUrl(pack, picture.path, yours.hash)" alt="" class="pixels size-11 object-contain" />
                    <span>
                        <strong class="block">Result</strong>
                        <span class="text-faint text-small">{{ pixels(yours.size) }}, {{ bytes(yours.length) }}</span>
                    </span>
                </li>
            </template>
            <li class="self-center">
                <AddStep :offers="picture.offers" :is-disabled="isBusy || yours.problem !== null" @add="steps.add" />
            </li>
        </ol>
    </section>
</template>
