<script setup lang="ts">
import { computed, ref } from 'vue'
import type { TableView } from '@/api/client'
import type { Line, Sheet } from './lines'

/** One row of a table. A value is written with every letter; a key when it is left, since rows are found by it. */
const props = defineProps<{ index: number; line: Line; sheet: Sheet; table: TableView }>()
const emit = defineEmits<{
    put: [column: string, value: string]
    go: [row: number, column: number]
    out: []
    back: []
}>()

const isNext = computed(() => props.line.id === 'next')
const isFaint = computed(() => ['base', 'gone', 'out'].includes(props.line.deed))
const word = computed(
    () =>
        ({
            new: isNext.value ? '' : 'new',
            over: 'over the base’s',
            same: 'as the base’s',
            out: 'taken out',
            base: 'the base’s',
            gone: 'gone',
        })[props.line.deed],
)
const isKey = (column: string) => column === props.table.key
/** What the base says where the row says something else. */
const was = (column: string) => {
    const { below, values, deed } = props.line
    return deed === 'over' && below && (below[column] ?? '') !== (values[column] ?? '') ? (below[column] ?? '') : null
}
/** A key while it is typed; a table that is saved meanwhile does not write over it. */
const draft = ref<string | null>(null)
const valueOf = (column: string) => (isKey(column) ? draft.value : null) ?? props.line.values[column] ?? ''
function type(column: string, value: string) {
    if (isKey(column)) draft.value = value
    else emit('put', column, value)
}
function putKey() {
    if (draft.value !== null) emit('put', props.table.key, draft.value.trim())
    draft.value = null
}
/** On to the next row; from the key of a new one to its values. */
function enter(column: string, at: number) {
    if (isKey(column) && props.line.below === null) putKey()
    if (isNext.value) emit('go', props.index, at + 1)
    else emit('go', props.index + 1, at)
}
const isNumber = (column: string) => props.table.numbers.includes(column)
const nameOf = (column: string) => (isNext.value ? `New row, ${column}` : `${props.line.key}, ${column}`)
</script>

<template>
    <div
        role="row"
        class="border-line grid h-[42px] items-center gap-x-2 border-b px-6"
        :aria-rowindex="index + 2"
        :data-row="line.key"
    >
        <span v-for="(column, at) in sheet.columns" :key="column" role="cell" class="min-w-0">
            <input
                class="field"
                :class="[
                    isFaint ? 'text-faint' : '',
                    line.deed === 'out' || line.deed === 'gone' ? 'line-through' : '',
                    was(column) !== null ? 'font-semibold' : '',
                ]"
                :value="valueOf(column)"
                :readonly="isKey(column) && line.below !== null"
                :disabled="isNext && !isKey(column)"
                :placeholder="isNext && isKey(column) ? `another ${column} …` : ''"
                :aria-label="nameOf(column)"
                :title="was(column) === null ? undefined : `The base has ${was(column) || 'nothing'}`"
                :inputmode="isNumber(column) ? 'decimal' : undefined"
                :data-cell="`${index} ${at}`"
                autocomplete="off"
                @input="type(column, ($event.target as HTMLInputElement).value)"
                @change="isKey(column) && putKey()"
                @keydown.enter.prevent="enter(column, at)"
                @keydown.down.prevent="$emit('go', index + 1, at)"
                @keydown.up.prevent="$emit('go', index - 1, at)"
            />
        </span>
        <span role="cell" class="text-small flex items-center gap-3 whitespace-nowrap">
            <span class="text-faint">{{ word }}</span>
            <button
                v-if="line.record !== null && line.deed !== 'new'"
                type="button"
                class="word"
                :aria-label="`Put back the base’s ${line.key}`"
                @click="$emit('back')"
            >
                Put back
            </button>
            <button
                v-else-if="line.deed === 'new' && !isNext"
                type="button"
                class="word"
                :aria-label="`Delete ${line.key}`"
                @click="$emit('back')"
            >
                Delete
            </button>
            <button
                v-if="line.deed === 'gone'"
                type="button"
                class="word"
                :aria-label="`Bring back ${line.key}`"
                @click="$emit('put', table.key, line.key)"
            >
                Bring back
            </button>
            <button
                v-if="table.merge && ['base', 'over', 'same'].includes(line.deed)"
                type="button"
                class="word"
                :aria-label="`Take out ${line.key}`"
                @click="$emit('out')"
            >
                Take out
            </button>
        </span>
    </div>
</template>
