<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { StepKindView } from '@/api/client'
import ColourField from '@/shared/parts/ColourField.vue'
import type { Step } from './useSteps'

/** What can be set of one step. */
const props = defineProps<{ step: Step; kind: StepKindView; title: string; isBusy: boolean }>()
const emit = defineEmits<{ change: [step: Step] }>()

/** What was set and is under way: it stands in its field until it is made or refused, also while there is no network. */
const underWay = ref<Step | null>(null)
const shown = computed(() => underWay.value ?? props.step)
watch(
    () => props.isBusy,
    (busy) => {
        if (!busy) underWay.value = null
    },
)
function put(name: string, value: unknown) {
    underWay.value = { ...props.step, [name]: value }
    emit('change', underWay.value)
}
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
                :value="shown[field.name]"
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
                    :checked="shown[field.name] === true"
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
                    :value="shown[field.name]"
                    :disabled="isBusy"
                    :aria-label="`${field.title}: ${title}`"
                    required
                    @change="putNumber(field.name, $event)"
                />
                <span v-if="field.unit && field.unit !== 'pixels'" class="text-faint">{{ field.unit }}</span>
            </label>
            <ColourField
                v-else
                :model-value="String(shown[field.name] ?? '')"
                :label="`${field.title}: ${title}`"
                @update:model-value="putColour(field.name, $event)"
            />
        </template>
    </span>
</template>
