<script setup lang="ts">
import type { StepKindView } from '@/api/client'
import ColourField from '@/shared/parts/ColourField.vue'
import type { Step } from './useSteps'

/** What can be set of one step. */
const props = defineProps<{ step: Step; kind: StepKindView; title: string; isBusy: boolean }>()
const emit = defineEmits<{ change: [step: Step] }>()

const put = (name: string, value: unknown) => emit('change', { ...props.step, [name]: value })
function putNumber(name: string, event: Event) {
    const field = event.target as HTMLInputElement
    if (field.checkValidity() && field.value !== '') put(name, Number(field.value))
    else field.reportValidity()
}
function putColour(name: string, colour: string) {
    if (/^#[0-9a-f]{6}$/.test(colour) && colour !== props.step[name]) put(name, colour)
}
</script>

<template>
    <span v-if="kind.fields.length > 0" class="text-small flex flex-wrap items-center gap-x-3 gap-y-1">
        <template v-for="field in kind.fields" :key="field.name">
            <select
                v-if="field.input === 'choice'"
                class="text-small bg-paper border-line border"
                :value="step[field.name]"
                :disabled="isBusy"
                :aria-label="`${field.title}: ${title}`"
                @change="put(field.name, ($event.target as HTMLSelectElement).value)"
            >
                <option v-for="choice in field.choices" :key="choice.word" :value="choice.word">
                    {{ choice.says }}
                </option>
            </select>
            <label v-else-if="field.input === 'flag'" class="flex items-center gap-1">
                <input
                    type="checkbox"
                    :checked="step[field.name] === true"
                    :disabled="isBusy"
                    @change="put(field.name, ($event.target as HTMLInputElement).checked)"
                />{{ field.title.toLowerCase() }}
            </label>
            <label
                v-else-if="field.input === 'whole' || field.input === 'tenths'"
                class="flex items-center gap-1 whitespace-nowrap"
            >
                <span class="text-faint">{{ field.title.toLowerCase() }}</span>
                <input
                    type="number"
                    class="border-line bg-paper w-20 border px-1 font-mono"
                    :step="field.input === 'tenths' ? 0.1 : 1"
                    :min="field.least"
                    :max="field.most"
                    :value="step[field.name]"
                    :disabled="isBusy"
                    :aria-label="`${field.title}: ${title}`"
                    required
                    @change="putNumber(field.name, $event)"
                />
                <span v-if="field.unit && field.unit !== 'pixels'" class="text-faint">{{ field.unit }}</span>
            </label>
            <ColourField
                v-else
                :model-value="String(step[field.name] ?? '')"
                :label="`${field.title}: ${title}`"
                @update:model-value="putColour(field.name, $event)"
            />
        </template>
    </span>
</template>
