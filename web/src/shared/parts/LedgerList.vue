<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, ref } from 'vue'
import { useKeys } from '../composables/useKeys'
import type { Line, Row } from '../ledger'
import GroupHead from './GroupHead.vue'

/** The ledger: heads and rows, only those in view drawn. The row with the focus is the current one. */
const props = defineProps<{ lines: readonly Line[]; label: string }>()
const emit = defineEmits<{ open: [row: Row]; key: [key: string, row: Row, element: HTMLElement | null] }>()

const box = ref<HTMLElement>()
const current = ref<string | null>(null)
let last = 0

const virtualizer = useVirtualizer(
    computed(() => ({
        count: props.lines.length,
        getScrollElement: () => box.value ?? null,
        estimateSize: (index: number) => (props.lines[index]?.kind === 'head' ? 44 : 83),
        getItemKey: (index: number) => props.lines[index]?.key ?? index,
        overscan: 8,
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

const rowAt = (key: string | null) => props.lines.find((line) => line.kind === 'row' && line.key === key)
const elementOf = (key: string | null) =>
    box.value?.querySelector<HTMLElement>(`[data-key="${CSS.escape(key ?? '')}"]`) ?? null

async function move(step: number) {
    const rows = props.lines.map((line, index) => ({ line, index })).filter(({ line }) => line.kind === 'row')
    const found = rows.findIndex(({ line }) => line.key === current.value)
    // Where the current row is gone, mended perhaps, the one that took its place comes next.
    const at = Math.max(0, Math.min(rows.length - 1, found < 0 ? last : found + step))
    const next = rows[at]
    if (!next) return
    last = at
    current.value = next.line.key
    virtualizer.value.scrollToIndex(next.index, { align: 'auto' })
    await nextTick()
    requestAnimationFrame(() => elementOf(next.line.key)?.focus({ preventScroll: true }))
}

function act(key: string) {
    const line = rowAt(current.value)
    if (line?.kind !== 'row') return
    if (key === 'Enter') emit('open', line.row)
    else emit('key', key, line.row, elementOf(current.value))
}

useKeys({
    j: () => move(1),
    k: () => move(-1),
    Enter: () => act('Enter'),
    f: () => act('f'),
    w: () => act('w'),
    x: () => act('x'),
    b: () => act('b'),
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
                            class="row border-line hover:bg-paper border-b border-l-4"
                            :class="current === line.key ? 'border-l-lake bg-paper' : 'border-l-transparent'"
                            role="group"
                            :aria-label="line.row.path"
                            tabindex="-1"
                            :data-key="line.key"
                            :data-path="line.row.path"
                            :aria-current="current === line.key ? 'true' : undefined"
                            @focusin="current = line.key"
                        >
                            <slot :row="line.row" :is-current="current === line.key" />
                        </div>
                    </template>
                </div>
            </div>
        </div>
    </div>
</template>
