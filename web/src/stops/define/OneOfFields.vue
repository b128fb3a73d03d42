<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import EntryField from './EntryField.vue'
import { useGiven } from './given'
import { parametersAt } from './parameters'
import { valueAt, type FieldProps } from './schema'

/** The fields of an object. Where it has exactly one of several, which one it is is chosen first. */
const props = defineProps<FieldProps>()
const emit = defineEmits<{ set: [pointer: string, value: unknown]; look: [pointer: string] }>()
const id = useId()
const given = useGiven()

const own = computed(() => valueAt(props.value, props.field.pointer))
/** What it has by the type that it names. */
const ofType = computed(() => parametersAt(given.parameters(), props.field.pointer, own.value))
/** What is left of another type. */
const strays = computed(() =>
    ofType.value.length > 0
        ? Object.entries(own.value as Record<string, unknown>).filter(
              ([name]) => ![...props.field.fields, ...ofType.value].some((field) => field.name === name),
          )
        : [],
)
const forms = computed(() => props.field.fields.filter((inner) => props.field.oneOf.includes(inner.name)))
const set = computed(() => forms.value.find((form) => valueAt(props.value, form.pointer) !== undefined)?.name)
const asked = ref('')
const chosen = computed(() => set.value ?? (asked.value || forms.value[0]?.name))
const shown = computed(() =>
    [...props.field.fields, ...ofType.value]
        .filter((inner) => !props.field.oneOf.includes(inner.name) || inner.name === chosen.value)
        .map((inner) => (inner.name === chosen.value ? { ...inner, isRequired: true } : inner))
        .sort((a, b) => Number(b.name === chosen.value) - Number(a.name === chosen.value)),
)

function choose(event: Event) {
    const name = (event.target as HTMLSelectElement).value
    const [old, now] = [forms.value.find((f) => f.name === set.value), forms.value.find((f) => f.name === name)]
    asked.value = name
    if (old) emit('set', old.pointer, undefined)
    if (now) emit('set', now.pointer, now.type === 'object' ? {} : '')
}
</script>

<template>
    <div class="grid grid-cols-[repeat(auto-fit,minmax(180px,1fr))] items-start gap-3">
        <div v-if="forms.length > 0" class="col-span-full">
            <label :for="id" class="sr-only">What it is</label>
            <select :id="id" class="field max-w-56" :value="chosen" data-test="one-of" @change="choose">
                <option v-for="form in forms" :key="form.name" :value="form.name">{{ form.title }}</option>
            </select>
        </div>
        <EntryField
            v-for="inner in shown"
            :key="inner.pointer"
            :class="['object', 'list', 'map'].includes(inner.type) ? 'col-span-full' : ''"
            :field="inner"
            :value="value"
            :faults="faults"
            :choices="choices"
            :pack="pack"
            @set="(p, v) => $emit('set', p, v)"
            @look="$emit('look', $event)"
        />
        <p v-for="[name, left] in strays" :key="name" class="text-small col-span-full" data-test="stray">
            <span class="text-saffron" aria-hidden="true">◆ </span><span class="font-mono">{{ name }} {{ left }}</span>
            is of another type, and passed over.
            <button type="button" class="word" @click="$emit('set', `${field.pointer}/${name}`, undefined)">
                Leave out<span class="sr-only"> {{ name }}</span>
            </button>
        </p>
    </div>
</template>
