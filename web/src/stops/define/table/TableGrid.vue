<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, ref } from 'vue'
import type { TableView } from '@/api/client'
import { useMessages } from '@/shared/composables/useMessages'
import { count } from '@/shared/words'
import { cellsOf, putRows, putValue, takeBack, takeOut, type Deed, type Line, type Sheet } from './lines'
import TableRow from './TableRow.vue'

/** A table as rows and columns: the base's rows with the pack's over them, typed into where they stand. */
const props = defineProps<{ sheet: Sheet; table: TableView }>()
const emit = defineEmits<{ write: [text: string] }>()

const words = ref('')
const isYoursOnly = ref(props.sheet.lines.length > 60 && props.sheet.lines.some((line) => line.record !== null))
const lines = computed(() => {
    const wanted = words.value.trim().toLowerCase()
    return props.sheet.lines.filter(
        (line) =>
            (!isYoursOnly.value || line.record !== null) &&
            (wanted === '' || Object.values(line.values).some((value) => value.toLowerCase().includes(wanted))),
    )
})
const numbers = computed(() => Map.groupBy(props.sheet.lines, (line) => line.deed))
const told: readonly [Deed, string][] = [
    ['new', 'new'],
    ['over', 'over the base’s'],
    ['out', 'taken out'],
    ['gone', 'gone'],
    ['same', 'the base’s own, and needless'],
]
const says = computed(() =>
    told
        .flatMap(([deed, word]) => (numbers.value.has(deed) ? [`${numbers.value.get(deed)!.length} ${word}`] : []))
        .join(', '),
)

const box = ref<HTMLElement>()
const virtualizer = useVirtualizer(
    computed(() => ({
        count: lines.value.length + 1,
        getScrollElement: () => box.value ?? null,
        estimateSize: () => 42,
        getItemKey: (index: number) => lines.value[index]?.id ?? 'next',
        overscan: 8,
    })),
)
const grid = computed(() => `repeat(${props.sheet.columns.length}, minmax(130px, 1fr)) 240px`)
const width = computed(() => `${props.sheet.columns.length * 138 + 280}px`)

/** The row that is begun below the others. */
const next: Line = { id: 'next', key: '', deed: 'new', values: {}, below: null, record: null }
const put = (line: Line, column: string, value: string) =>
    emit(
        'write',
        line === next
            ? putRows(props.sheet, props.table, [column], [[value]])
            : putValue(props.sheet, props.table, line, column, value),
    )

/** The same column, some rows on. */
async function go(row: number, column: number) {
    if (row < 0 || row > lines.value.length) return
    const cell = () => box.value?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)
    await nextTick()
    // At once where it is drawn: what is typed next belongs there.
    if (cell()) return cell()!.focus()
    virtualizer.value.scrollToIndex(row)
    requestAnimationFrame(() => cell()?.focus())
}

const { say, warn } = useMessages()
/** Rows of a spreadsheet: with its header, or from the key's column on, they find their rows by key; else they fill what is below. */
function paste(event: ClipboardEvent) {
    const cells = cellsOf(event.clipboardData?.getData('text/plain') ?? '')
    const at = (event.target as HTMLElement).dataset.cell?.split(' ').map(Number)
    if (!cells || !at) return
    event.preventDefault()
    const [row, column] = [at[0]!, at[1]!]
    const { columns } = props.sheet
    const hasHeader = cells[0]!.map((cell) => cell.trim()).includes(props.table.key)
    const names = hasHeader ? cells[0]!.map((cell) => cell.trim()) : columns.slice(column)
    const unknown = names.filter((name) => name !== props.table.merge && !columns.includes(name))
    if (hasHeader && unknown.length > 0)
        return warn(`This table has no column ${unknown.join(', ')}. Nothing was pasted.`)
    let rows = hasHeader ? cells.slice(1) : cells
    if (!names.includes(props.table.key)) {
        const beside = lines.value.slice(row, row + rows.length)
        if (beside.length < rows.length)
            warn(`There are only ${count(beside.length, 'row')} to paste into; paste keys with new rows.`)
        rows = beside.map((line, index) => [line.key, ...rows[index]!])
        names.unshift(props.table.key)
    }
    emit('write', putRows(props.sheet, props.table, names, rows))
    say(`${count(rows.length, 'row')} pasted.`)
}
</script>

<template>
    <div class="flex min-h-0 grow flex-col">
        <div class="border-line flex flex-wrap items-center gap-x-5 gap-y-1 border-b px-6 py-2">
            <label class="flex items-center gap-2">
                <span class="sr-only">Find in the table’s rows</span>
                <input
                    v-model="words"
                    type="search"
                    class="field text-small w-44"
                    :placeholder="`Find in ${sheet.lines.length}`"
                    data-search
                    @keydown.esc="words = ''"
                /><kbd class="key" aria-hidden="true">/</kbd>
            </label>
            <label class="text-small flex items-center gap-1.5">
                <input v-model="isYoursOnly" type="checkbox" />Yours only
            </label>
            <button type="button" class="word text-small" @click="go(lines.length, 0)">New row</button>
            <p class="text-small" role="status" data-test="table-says">
                {{ says || 'Nothing is changed' }}.
                <template v-if="sheet.isReplacing && table.below.length > 0">
                    This file replaces the base’s table: rows that it lacks are gone.
                </template>
            </p>
        </div>
        <div
            ref="box"
            class="min-h-0 grow overflow-auto"
            role="table"
            :aria-rowcount="lines.length + 2"
            aria-label="Rows"
            @paste="paste"
        >
            <div
                class="bg-film border-line sticky top-0 z-10 grid gap-x-2 border-b px-6 py-1.5 font-semibold"
                role="row"
                :style="{ gridTemplateColumns: grid, minWidth: width }"
            >
                <span v-for="name in sheet.columns" :key="name" role="columnheader" class="truncate">{{ name }}</span>
                <span role="columnheader"><span class="sr-only">What it is</span></span>
            </div>
            <div class="relative" :style="{ height: `${virtualizer.getTotalSize()}px`, minWidth: width }">
                <TableRow
                    v-for="item in virtualizer.getVirtualItems()"
                    :key="String(item.key)"
                    class="absolute inset-x-0"
                    :style="{ transform: `translateY(${item.start}px)`, gridTemplateColumns: grid }"
                    :index="item.index"
                    :line="lines[item.index] ?? next"
                    :sheet="sheet"
                    :table="table"
                    @put="(column, value) => put(lines[item.index] ?? next, column, value)"
                    @go="go"
                    @out="$emit('write', takeOut(sheet, table, lines[item.index]!))"
                    @back="$emit('write', takeBack(sheet, lines[item.index]!))"
                />
            </div>
        </div>
    </div>
</template>
