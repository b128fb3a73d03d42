<script setup lang="ts">
import { nextTick, ref, useId } from 'vue'
import type { FindingName, FixView } from '@/api/client'
import { useFixes } from '../composables/useFixes'
import ColourField from './ColourField.vue'

/** A fix to press; where it asks for something first, a field beside it. */
const props = defineProps<{ pack: string; finding: FindingName; part?: string; fix: FixView }>()
const { isBusy, apply } = useFixes(() => props.pack)
const isAsking = ref(false)
const answer = ref('')
const id = useId()

function press() {
    if (props.fix.question) {
        answer.value = props.fix.question.usual
        void ask(true)
    } else void run()
}
/** What opens has the focus; what was pressed has it again when it closes. */
const opener = ref<HTMLButtonElement>()
async function ask(now: boolean) {
    isAsking.value = now
    await nextTick()
    if (now) document.getElementById(id)?.focus()
    else opener.value?.focus()
}
async function run(given?: string) {
    const made = await apply(
        { finding: props.finding, part: props.part ?? null, answer: given ?? null },
        props.fix.title,
    )
    if (made) isAsking.value = false
}
</script>

<template>
    <form
        v-if="isAsking"
        class="flex flex-wrap items-center gap-2"
        @submit.prevent="run(answer)"
        @keydown.esc.stop="ask(false)"
    >
        <label class="text-small font-semibold" :for="id">{{ fix.question!.title }}</label>
        <ColourField v-if="fix.question!.input === 'colour'" :id="id" v-model="answer" />
        <input v-else :id="id" v-model="answer" class="field text-small max-w-52" required maxlength="80" />
        <button type="submit" class="press text-small" :disabled="!answer.trim() || isBusy">{{ fix.title }}</button>
        <button type="button" class="word text-small" @click="ask(false)">Not now</button>
    </form>
    <button v-else ref="opener" type="button" class="word" :disabled="isBusy" data-test="fix" @click="press">
        {{ fix.title }}{{ fix.question ? ' …' : '' }}
    </button>
</template>
