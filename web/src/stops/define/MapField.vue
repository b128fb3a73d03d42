<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import EntryField from './EntryField.vue'
import TakenValue from './TakenValue.vue'
import { nameOf } from './picks'
import { fieldOf, newItem, valueAt, type FieldProps } from './schema'
import { useTaken } from './taken'

/** An object whose keys are codes: a value for each code that is set, and the codes that are left. */
const props = defineProps<FieldProps>()
const emit = defineEmits<{ set: [pointer: string, value: unknown]; look: [pointer: string] }>()
const id = useId()
const taken = useTaken()

const codes = computed(() => props.choices[props.field.pointer] ?? [])
const keys = computed(() => Object.keys((valueAt(props.value, props.field.pointer) ?? {}) as object))
const rows = computed(() =>
    keys.value.map((key) => ({
        ...fieldOf(key, props.field.each!, props.field.pointer, false),
        title: titleOf(key),
        help: codes.value.length > 0 && codes.value.every((code) => code.value !== key) ? 'No such code.' : '',
    })),
)
const titleOf = (key: string) => codes.value.find((code) => code.value === key)?.name || key
/** What comes from another entry at codes that are not set here. */
const others = computed(() =>
    [...taken.value.keys()]
        .filter((at) => at.startsWith(`${props.field.pointer}/`) && valueAt(props.value, at) === undefined)
        .map((at) => [at, titleOf(at.slice(props.field.pointer.length + 1))] as const),
)
const free = computed(() => codes.value.filter((code) => !keys.value.includes(code.value)))
const next = ref('')

function add() {
    if (!next.value) return
    const key = next.value.replaceAll('~', '~0').replaceAll('/', '~1')
    emit('set', `${props.field.pointer}/${key}`, newItem(props.field.each!))
    next.value = ''
}
</script>

<template>
    <fieldset class="border-line border-l-2 pl-4" data-test="map" @focusin.stop="$emit('look', field.pointer)">
        <legend class="font-semibold">
            {{ field.title }} <span class="text-faint text-small font-normal">may be left out</span>
        </legend>
        <p v-if="field.help" class="text-faint text-small mb-2">{{ field.help }}</p>
        <div class="flex flex-col gap-3">
            <EntryField
                v-for="row in rows"
                :key="row.pointer"
                :field="row"
                :value="value"
                :faults="faults"
                :choices="{}"
                :pack="pack"
                @set="(p, v) => $emit('set', p, v)"
            />
        </div>
        <TakenValue
            v-for="[pointer, label] in others"
            :key="pointer"
            :pointer="pointer"
            :label="label"
            @set="$emit('set', pointer, $event)"
        />
        <div class="mt-2 flex items-center gap-3">
            <label :for="id" class="sr-only">Code to add to {{ field.title.toLowerCase() }}</label>
            <select v-if="codes.length > 0" :id="id" v-model="next" class="field max-w-64">
                <option value="">choose a code …</option>
                <option v-for="code in free" :key="code.value" :value="code.value">
                    {{ nameOf(code) }}
                </option>
            </select>
            <input v-else :id="id" v-model="next" class="field max-w-64" autocomplete="off" placeholder="code" />
            <button type="button" class="press" :disabled="!next" @click="add">Add</button>
        </div>
    </fieldset>
</template>
