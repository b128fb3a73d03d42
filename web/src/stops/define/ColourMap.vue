<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Choice, FaultView } from '@/api/client'
import { hexOf, oklchOf, type Oklch } from '@/shared/colour'
import ColourField from '@/shared/parts/ColourField.vue'
import { valueAt, type Property } from './schema'

/** An entry that gives each key a colour: by lightness, chroma and hue, or as hex. */
const props = defineProps<{
    kind: Property
    value: unknown
    keys: readonly Choice[] | null
    faults: readonly FaultView[]
}>()
const emit = defineEmits<{ set: [pointer: string, value: unknown] }>()

const next = ref('')
const pointerOf = (key: string) => `/${key.replaceAll('~', '~0').replaceAll('/', '~1')}`
const rows = computed(() =>
    Object.entries((props.value ?? {}) as Record<string, unknown>).map(([key, colour]) => ({
        key,
        pointer: pointerOf(key),
        title: props.keys?.find((choice) => choice.value === key)?.name ?? key,
        hex: isColour(colour) ? hexOf(colour) : null,
        faults: props.faults.filter((f) => f.pointer === pointerOf(key) || f.pointer.startsWith(`${pointerOf(key)}/`)),
    })),
)
const free = computed(() => (props.keys ?? []).filter((choice) => rows.value.every((row) => row.key !== choice.value)))
const parts = computed(() => Object.entries(props.kind.properties ?? {}))

function isColour(value: unknown): value is Oklch {
    const colour = value as Partial<Oklch> | null
    return typeof colour?.l === 'number' && typeof colour.c === 'number' && typeof colour.h === 'number'
}
function put(pointer: string, hex: string) {
    if (/^#[0-9a-f]{6}$/.test(hex)) emit('set', pointer, oklchOf(hex))
}
function putPart(pointer: string, text: string) {
    emit('set', pointer, text === '' ? undefined : Number.isNaN(Number(text)) ? text : Number(text))
}
function add() {
    const key = next.value.trim()
    if (!key) return
    emit('set', pointerOf(key), { l: 0.6, c: 0.1, h: 60 })
    next.value = ''
}
</script>

<template>
    <section class="flex flex-col gap-4" aria-label="Colours">
        <p v-if="rows.length === 0" class="text-faint">No colours yet.</p>
        <fieldset v-for="row in rows" :key="row.key" class="border-line border-l-2 pl-4" data-test="colour">
            <legend class="font-semibold">
                {{ row.title }} <span v-if="row.title !== row.key" class="text-faint font-mono">{{ row.key }}</span>
            </legend>
            <div class="mt-1 flex flex-wrap items-end gap-4">
                <ColourField
                    :model-value="row.hex ?? ''"
                    :label="row.title"
                    :is-wrong="row.faults.length > 0"
                    @update:model-value="put(row.pointer, $event)"
                />
                <label v-for="[name, part] in parts" :key="name">
                    <span class="text-faint text-small block"
                        >{{ part.title }}, {{ part.minimum }} to {{ part.maximum }}</span
                    >
                    <input
                        class="field max-w-28 font-mono"
                        inputmode="decimal"
                        :value="valueAt(value, `${row.pointer}/${name}`)"
                        autocomplete="off"
                        @change="putPart(`${row.pointer}/${name}`, ($event.target as HTMLInputElement).value)"
                    />
                </label>
                <button type="button" class="word text-small" @click="$emit('set', row.pointer, undefined)">
                    Leave out
                </button>
            </div>
            <p v-for="fault in row.faults" :key="fault.pointer + fault.says" class="text-small" role="alert">
                <span class="text-madder" aria-hidden="true">▼ </span>{{ fault.says }}.
            </p>
        </fieldset>
        <div class="flex items-end gap-3">
            <label>
                <span class="font-semibold">A colour for</span>
                <select v-if="keys" v-model="next" class="field mt-1">
                    <option value="" disabled>choose …</option>
                    <option v-for="choice in free" :key="choice.value" :value="choice.value">
                        {{ choice.name }} · {{ choice.value }}
                    </option>
                </select>
                <input v-else v-model="next" class="field mt-1" maxlength="80" @keydown.enter.prevent="add" />
            </label>
            <button type="button" class="press" :disabled="!next.trim()" data-test="add-colour" @click="add">
                Add
            </button>
        </div>
    </section>
</template>
