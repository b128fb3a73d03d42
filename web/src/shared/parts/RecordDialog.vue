<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import UDialog from './UDialog.vue'
import { useRecorder, type Take } from '@/shared/composables/useRecorder'

/** Records takes of a sound, to hear them and use one. */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{
    title: string
    isBusy: boolean
    /** Brings a take in; false where it did not come in. */
    use: (file: File) => Promise<boolean>
}>()
const hasFailed = ref(false)
const recorder = useRecorder()
const { state, level, counted, seconds, problem, takes } = recorder

watch(isOpen, (open) => (open ? void recorder.open() : recorder.close()), { immediate: true })
/** Until it has come in, the take stays where it can be used again. */
async function bring(take: Take) {
    hasFailed.value = false
    if (await props.use(take.file)) isOpen.value = false
    else hasFailed.value = true
}
const toggle = () => (state.value === 'ready' ? recorder.start() : recorder.stop())
/** The meter in decibels, from -60 to 0. */
const meter = () => Math.max(0, Math.min(1, 1 + Math.log10(Math.max(level.value, 1e-6)) / 3))
/** Where on the meter it is too near to what is cut off: 3 dB below the most that a file can hold. */
const tooLoud = 1 - 3 / 60
const loudness = computed(() =>
    meter() >= tooLoud ? 'too loud' : meter() > 0.55 ? 'good' : meter() > 0.05 ? 'soft' : 'silent',
)
const says = (take: Take) =>
    take.peak >= 0.999
        ? 'too loud: it is cut off; step back or turn the microphone down'
        : take.peak < 0.02
          ? 'very soft: come nearer'
          : ''
</script>

<template>
    <UDialog v-model="isOpen" :title="title" is-wide>
        <div class="flex flex-col gap-4">
            <p v-if="problem" class="text-small" role="alert">
                <span class="text-madder" aria-hidden="true">▼ </span>{{ problem }}
                <button type="button" class="word ml-2" @click="recorder.open">Try again</button>
            </p>
            <template v-else>
                <div class="flex items-center gap-4">
                    <button
                        type="button"
                        class="press-main press w-40"
                        :disabled="state === 'off' || state === 'asking'"
                        data-test="record"
                        @click="toggle"
                    >
                        {{ state === 'recording' ? 'Stop' : state === 'counting' ? 'Do not record' : 'Record' }}
                    </button>
                    <span class="font-mono" role="status" data-test="recorder-state">{{
                        state === 'asking'
                            ? 'Asking for the microphone …'
                            : state === 'counting'
                              ? `In ${counted} …`
                              : state === 'recording'
                                ? `${seconds.toFixed(1)} s`
                                : takes.length === 0
                                  ? 'After a count of three it begins.'
                                  : ''
                    }}</span>
                </div>
                <div class="flex items-center gap-3">
                    <!-- One bar of ink, with a notch where it is too loud. -->
                    <div
                        class="border-line bg-paper relative h-3 grow border"
                        role="meter"
                        aria-label="How loud it is"
                        aria-valuemin="0"
                        aria-valuemax="100"
                        :aria-valuenow="Math.round(meter() * 100)"
                        :aria-valuetext="loudness"
                    >
                        <div class="bg-ink h-full" :style="{ width: `${meter() * 100}%` }" />
                        <div
                            class="bg-ink absolute -top-1.5 -bottom-1.5 w-px"
                            :style="{ left: `${tooLoud * 100}%` }"
                            aria-hidden="true"
                        />
                    </div>
                    <span class="text-small w-20" data-test="loudness">{{ loudness }}</span>
                </div>
            </template>
            <ol v-if="takes.length > 0" class="flex flex-col gap-2" aria-label="Takes">
                <li
                    v-for="take in takes"
                    :key="take.number"
                    class="border-line flex flex-wrap items-center gap-3 border px-3 py-2"
                    data-test="take"
                >
                    <strong>Take {{ take.number }}</strong>
                    <span class="text-faint text-small font-mono">{{ take.seconds.toFixed(2) }} s</span>
                    <audio :src="take.url" controls class="h-8 grow" :aria-label="`Take ${take.number}`" />
                    <button
                        type="button"
                        class="press"
                        :disabled="isBusy"
                        :data-test="`use-take-${take.number}`"
                        @click="bring(take)"
                    >
                        Use it
                    </button>
                    <button
                        type="button"
                        class="word text-small"
                        :aria-label="`Throw take ${take.number} away`"
                        @click="recorder.discard(take)"
                    >
                        Throw away
                    </button>
                    <span v-if="says(take)" class="text-small basis-full">
                        <span class="text-saffron" aria-hidden="true">▮ </span>{{ says(take) }}
                    </span>
                </li>
            </ol>
            <slot />
            <p v-if="isBusy" class="text-small" role="status">It is on its way …</p>
            <p v-else-if="hasFailed" class="text-small" role="alert" data-test="take-failed">
                <span class="text-madder" aria-hidden="true">▼ </span>It has not come in. Your takes stay here as long
                as this stays open: use it again.
            </p>
            <div class="flex items-start gap-4">
                <p class="text-faint text-small grow">
                    The take that you use is kept in the pack as the recording; the others are gone when you leave this
                    sound.
                </p>
                <button type="button" class="press" @click="isOpen = false">Close</button>
            </div>
        </div>
    </UDialog>
</template>
