<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useKeys } from '../composables/useKeys'
import { useListPlace } from '../composables/useListPlace'
import { isNowhere, useRowFocus } from '../composables/useRowFocus'
import type { Selection } from '../composables/useSelection'
import type { Line, Row } from '../ledger'
import ChooseBox from './ChooseBox.vue'
import GroupHead from './GroupHead.vue'

/** The ledger: heads and rows, only those in view drawn. The row with the focus is the current one. */
const props = defineProps<{
    lines: readonly Line[]
    label: string
    /** Where it stands: there it is found again as it was left. */
    name: string
    selection: Selection
}>()
const emit = defineEmits<{ open: [row: Row]; key: [key: string, row: Row, element: HTMLElement | null] }>()

const box = ref<HTMLElement>()
const { left, leave } = useListPlace(props.name)

const virtualizer = useVirtualizer(
    computed(() => ({
        count: props.lines.length,
        getScrollElement: () => box.value ?? null,
        estimateSize: (index: number) => (props.lines[index]?.kind === 'head' ? 44 : 83),
        getItemKey: (index: number) => props.lines[index]?.key ?? index,
        overscan: 8,
        initialOffset: left?.offset ?? 0,
        initialMeasurementsCache: left?.sizes ?? [],
    })),
)
const items = computed(() => virtualizer.value.getVirtualItems())
const measure = (element: unknown) => virtualizer.value.measureElement(element as HTMLElement | null)

/** The head of the group that is scrolled through stays in sight. */
const stuck = computed(() => {
    const offset = virtualizer.value.scrollOffset ?? 0
    const first = items.value.find((item) => item.end > offset)?.index ?? 0
    for (let index = first; index >= 0; index--) {
        const line = props.lines[index]
        if (line?.kind === 'head') return offset > 0 ? line : null
    }
    return null
})

const keys = computed(() => props.lines.flatMap((line) => (line.kind === 'row' ? [line.key] : [])))
const rowAt = (key: string | null) => {
    const line = props.lines.find((l) => l.key === key)
    return line?.kind === 'row' ? line.row : undefined
}
const elementOf = (key: string | null) =>
    box.value?.querySelector<HTMLElement>(`[data-key="${CSS.escape(key ?? '')}"]`) ?? null

/** Brings a row into view and gives it the focus. */
async function focusRow(key: string) {
    virtualizer.value.scrollToIndex(
        props.lines.findIndex((line) => line.key === key),
        { align: 'auto' },
    )
    await nextTick()
    requestAnimationFrame(() => elementOf(key)?.focus({ preventScroll: true }))
}
const { current } = useRowFocus(box, () => keys.value, focusRow)
/** Where the mouse has pointed since a row last had the focus. */
const pointed = ref<string | null>(null)
watch(current, () => (pointed.value = null))

onMounted(() => {
    if (!left) return
    current.value = left.key
    requestAnimationFrame(() => {
        box.value?.scrollTo({ top: left.offset })
        if (isNowhere()) requestAnimationFrame(() => elementOf(left.key)?.focus({ preventScroll: true }))
    })
})
onBeforeUnmount(() =>
    leave({
        key: current.value,
        offset: virtualizer.value.scrollOffset ?? 0,
        sizes: [...virtualizer.value.measurementsCache],
    }),
)

async function move(step: number, isReaching = false) {
    const found = keys.value.indexOf(current.value ?? '')
    const next = keys.value[Math.max(0, Math.min(keys.value.length - 1, found < 0 ? 0 : found + step))]
    if (!next) return
    if (isReaching) {
        const from = rowAt(current.value)
        if (from && !props.selection.has(from.path)) props.selection.toggle(from.path)
        props.selection.reach(rowAt(next)!.path)
    }
    current.value = next
    await focusRow(next)
}

function act(key: string, at = current.value) {
    const row = rowAt(at)
    if (!row) return
    if (key === 'Enter') emit('open', row)
    else if (key === ' ') props.selection.toggle(row.path)
    else emit('key', key, row, elementOf(at))
}

/** A press on a row, beside what can be pressed in it. */
function press(event: MouseEvent, row: Row) {
    if ((event.target as HTMLElement).closest('button, a, input, select, summary, label, form')) return
    if (event.shiftKey) {
        window.getSelection()?.removeAllRanges()
        props.selection.reach(row.path)
    } else if (event.ctrlKey || event.metaKey) props.selection.toggle(row.path)
}

useKeys({
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    'Shift+ArrowDown': () => move(1, true),
    'Shift+ArrowUp': () => move(-1, true),
    'Ctrl+a': () => props.selection.all(),
    Escape: () => props.selection.clear(),
    ' ': () => act(' '),
    Enter: () => act('Enter'),
    h: () => act('h', pointed.value ?? current.value),
    f: () => act('f'),
    w: () => act('w'),
    x: () => act('x', pointed.value ?? current.value),
    b: () => act('b', pointed.value ?? current.value),
})
</script>

<template>
    <div class="relative h-full">
        <GroupHead
            v-if="stuck"
            :column="stuck.column"
            :rows="stuck.rows"
            class="border-line bg-film absolute inset-x-0 top-0 z-10 border-b"
            aria-hidden="true"
        />
        <div ref="box" class="h-full overflow-y-auto" role="region" :aria-label="label" tabindex="0">
            <div class="relative w-full" :style="{ height: `${virtualizer.getTotalSize()}px` }">
                <div
                    v-for="item in items"
                    :key="item.key as string"
                    :ref="measure"
                    :data-index="item.index"
                    class="absolute inset-x-0 top-0 has-[[data-headlessui-state~=open]]:z-20"
                    :style="{ transform: `translateY(${item.start}px)` }"
                >
                    <template v-for="line in [lines[item.index]]" :key="line?.key">
                        <GroupHead
                            v-if="line?.kind === 'head'"
                            :column="line.column"
                            :rows="line.rows"
                            class="border-line border-b"
                        />
                        <div
                            v-else-if="line"
                            class="row border-line hover:bg-paper relative border-b border-l-4"
                            :class="[
                                current === line.key ? 'border-l-lake bg-paper' : 'border-l-transparent',
                                selection.has(line.row.path) ? 'chosen' : '',
                            ]"
                            role="group"
                            :aria-label="line.row.path"
                            tabindex="-1"
                            :data-key="line.key"
                            :data-path="line.row.path"
                            :aria-current="current === line.key ? 'true' : undefined"
                            @mousemove="pointed = line.key"
                            @mouseleave="pointed = null"
                            @click="press($event, line.row)"
                        >
                            <ChooseBox :path="line.row.path" :selection="selection" />
                            <slot :row="line.row" :is-current="current === line.key" />
                        </div>
                    </template>
                </div>
            </div>
        </div>
    </div>
</template>

<style scoped>
.chosen {
    background: color-mix(in srgb, var(--lake) 12%, var(--paper));
}
</style>
