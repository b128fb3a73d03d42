<script setup lang="ts">
import { computed, useId } from 'vue'
import ColourField from '@/shared/parts/ColourField.vue'
import ListField from './ListField.vue'
import MapField from './MapField.vue'
import OneOfFields from './OneOfFields.vue'
import PickField from './PickField.vue'
import TakenValue from './TakenValue.vue'
import { useGiven } from './given'
import { fewChoices, nameOf } from './picks'
import { anyItem, stepOf, valueAt, type FieldProps } from './schema'

const props = defineProps<FieldProps>()
const emit = defineEmits<{ set: [pointer: string, value: unknown]; look: [pointer: string] }>()
const id = useId()

const own = computed(() => valueAt(props.value, props.field.pointer))
const shown = computed(() =>
    own.value === undefined ? '' : typeof own.value === 'object' ? JSON.stringify(own.value) : String(own.value),
)
const mine = computed(() => props.faults.filter((fault) => fault.pointer === props.field.pointer))
const known = computed(() => props.choices[anyItem(props.field.pointer)])
const isKnown = computed(() => known.value?.some((choice) => choice.value === own.value) ?? true)
const range = computed(() => {
    const { minimum, maximum } = props.field
    if (minimum !== undefined && maximum !== undefined) return `${minimum} to ${maximum}`
    return minimum !== undefined ? `${minimum} or more` : ''
})
/** The value that the host takes instead; null where it takes what stands there. */
const broughtIn = computed(() => {
    const { isBroughtIn, minimum = -Infinity, maximum = Infinity } = props.field
    if (!isBroughtIn || typeof own.value !== 'number') return null
    const nearest = Math.min(Math.max(own.value, minimum), maximum)
    return nearest === own.value ? null : nearest
})
const { isLater } = useGiven()
const preset = computed(() => (props.field.default === undefined ? '' : `${String(props.field.default)} when left out`))

function put(text: string) {
    const { pointer, type } = props.field
    if (text === '') emit('set', pointer, undefined)
    else if (type === 'number') emit('set', pointer, Number.isNaN(Number(text)) ? text : Number(text))
    else if (type === 'boolean') emit('set', pointer, text === 'true')
    else if (type === 'other') emit('set', pointer, asJson(text))
    else emit('set', pointer, text)
}
/** A field of any type: what reads as JSON is taken as that, anything else as a text. */
function asJson(text: string): unknown {
    try {
        return JSON.parse(text)
    } catch {
        return text
    }
}
const onInput = (event: Event) => put((event.target as HTMLInputElement).value)
</script>

<template>
    <ListField
        v-if="field.type === 'list'"
        v-bind="{ pack, field, value, faults, choices }"
        @set="(p, v) => $emit('set', p, v)"
        @look="$emit('look', $event)"
    />
    <MapField
        v-else-if="field.type === 'map'"
        v-bind="{ pack, field, value, faults, choices }"
        @set="(p, v) => $emit('set', p, v)"
        @look="$emit('look', $event)"
    />
    <fieldset v-else-if="field.type === 'object'" class="border-line border-l-2 pl-4">
        <legend class="font-semibold">{{ field.title }}</legend>
        <p v-if="field.help" class="text-faint text-small mb-2">{{ field.help }}</p>
        <OneOfFields
            v-bind="{ pack, field, value, faults, choices }"
            @set="(p, v) => $emit('set', p, v)"
            @look="$emit('look', $event)"
        />
    </fieldset>
    <div v-else @focusin.stop="$emit('look', field.pointer)">
        <label :for="id" class="font-semibold">{{ field.title }}</label>
        <span v-if="!field.isRequired" class="text-faint text-small"> may be left out</span>
        <span v-if="isLater(field.pointer)" class="text-small" data-test="later">
            <span class="text-saffron" aria-hidden="true"> ◆ </span>still to be set</span
        >
        <div class="mt-1 flex items-center gap-3">
            <PickField
                v-if="known && known.length > fewChoices"
                :id="id"
                :pack="pack"
                :label="field.title"
                :choices="known"
                :model-value="shown"
                :is-required="field.isRequired"
                :described-by="`${id}-help`"
                :is-wrong="mine.length > 0"
                @update:model-value="put"
            />
            <select
                v-else-if="known || field.type === 'choice' || field.type === 'boolean'"
                :id="id"
                class="field"
                :value="shown"
                :aria-describedby="`${id}-help`"
                :aria-invalid="mine.length > 0"
                @change="onInput"
            >
                <option v-if="!field.isRequired || shown === ''" value="">
                    {{ field.isRequired ? 'choose …' : 'left out' }}
                </option>
                <option v-if="!isKnown && shown" :value="shown">{{ shown }} (does not exist)</option>
                <template v-if="known">
                    <option v-for="choice in known" :key="choice.value" :value="choice.value">
                        {{ nameOf(choice) }}{{ choice.fromPack ? ' (yours)' : '' }}
                    </option>
                </template>
                <template v-else>
                    <option
                        v-for="choice in field.type === 'boolean' ? ['true', 'false'] : field.choices"
                        :key="choice"
                        :value="choice"
                    >
                        {{ choice }}
                    </option>
                </template>
            </select>
            <ColourField
                v-else-if="field.type === 'colour'"
                :id="id"
                :model-value="shown"
                :label="field.title"
                :described-by="`${id}-help`"
                :is-wrong="mine.length > 0"
                @update:model-value="put"
            />
            <template v-else>
                <input
                    :id="id"
                    class="field"
                    :class="field.type === 'number' ? 'max-w-32 font-mono' : ''"
                    :value="shown"
                    :inputmode="field.type === 'number' ? 'decimal' : undefined"
                    :aria-describedby="`${id}-help`"
                    :aria-invalid="mine.length > 0"
                    autocomplete="off"
                    @input="onInput"
                />
                <input
                    v-if="field.type === 'number' && field.minimum !== undefined && field.maximum !== undefined"
                    type="range"
                    class="grow accent-(--ink)"
                    :min="field.minimum"
                    :max="field.maximum"
                    :step="field.isWhole ? 1 : stepOf(field.maximum - field.minimum)"
                    :value="Number(shown || field.default || field.minimum)"
                    :aria-label="`${field.title}, slider`"
                    @input="onInput"
                />
            </template>
            <button
                v-if="!field.isRequired && own !== undefined"
                type="button"
                class="word text-small whitespace-nowrap"
                @click="put('')"
            >
                Leave out
            </button>
        </div>
        <TakenValue v-if="own === undefined" :pointer="field.pointer" @set="$emit('set', field.pointer, $event)" />
        <p :id="`${id}-help`" class="text-faint text-small">
            {{ field.help }} <template v-if="range">{{ range }}. </template
            ><template v-if="preset">{{ preset }}.</template
            ><template v-if="field.unit"> In {{ field.unit }}.</template>
        </p>
        <p v-if="broughtIn !== null" class="text-small" role="alert">
            <span class="text-saffron" aria-hidden="true">◆ </span>Outside its range: {{ broughtIn }} is taken.
        </p>
        <p v-for="fault in mine" :key="fault.says" class="text-small" role="alert">
            <span class="text-madder" aria-hidden="true">▼ </span>{{ fault.says }}.
        </p>
    </div>
</template>
