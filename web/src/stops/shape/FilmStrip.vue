<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, ref, watch } from 'vue'
import type { PackSummary } from '@/api/client'
import { worstOf, type Row } from '@/shared/ledger'
import NarrowFields from '@/shared/parts/NarrowFields.vue'
import RowSheet from '@/shared/parts/RowSheet.vue'
import SeverityMark from '@/shared/parts/SeverityMark.vue'
import { capital, count } from '@/shared/words'

/** The pack's pictures in a row, those in view drawn, to choose the one to shape. One stop of the Tab key; the arrows go on. */
const props = defineProps<{ pack: string; summary: PackSummary; rows: readonly Row[]; path: string; number: number }>()
const emit = defineEmits<{ choose: [path: string] }>()
const words = defineModel<string>('words', { required: true })
const isFoundOnly = defineModel<boolean>('isFoundOnly', { required: true })

const width = 78
const strip = ref<HTMLElement>()
const at = computed(() => props.rows.findIndex((row) => row.path === props.path))
const virtualizer = useVirtualizer(
    computed(() => ({
        count: props.rows.length,
        horizontal: true,
        getScrollElement: () => strip.value ?? null,
        estimateSize: () => width,
        getItemKey: (index: number) => props.rows[index]?.path ?? index,
        overscan: 6,
    })),
)
watch(
    () => [at.value, props.rows.length, strip.value],
    async () => {
        await nextTick()
        if (at.value >= 0) virtualizer.value.scrollToIndex(at.value, { align: 'auto' })
    },
    { immediate: true, flush: 'post' },
)
const titled = computed(() => Map.groupBy(props.rows, (row) => row.title))
/**
 * What tells a file from those beside it: its name without the author's prefix, and its part where its thing has several.
 */
function nameOf({ title, noun }: Row): string {
    const prefix = `${capital(props.summary.packId?.split('.')[0] ?? '')} `
    const name = title.startsWith(prefix) ? capital(title.slice(prefix.length)) : title
    return (titled.value.get(title)?.length ?? 0) > 1 ? `${name}: ${noun.toLowerCase()}` : name
}
/** What the Tab key comes to: the picture that is shown, or the first where that is not among them. */
const tabStop = computed(() => Math.max(0, at.value))

async function walk(event: KeyboardEvent) {
    const last = props.rows.length - 1
    const to = { ArrowLeft: at.value - 1, ArrowRight: at.value + 1, Home: 0, End: last }[event.key]
    if (to === undefined) return
    event.preventDefault()
    const row = props.rows[Math.max(0, Math.min(last, to))]
    if (!row) return
    emit('choose', row.path)
    await nextTick()
    requestAnimationFrame(() => strip.value?.querySelector<HTMLElement>('[aria-current="true"]')?.focus())
}
</script>

<template>
    <div class="border-line flex shrink-0 items-center gap-4 border-b py-2 pl-6 max-[700px]:flex-wrap max-[700px]:pr-6">
        <NarrowFields
            v-model:words="words"
            v-model:is-found-only="isFoundOnly"
            class="w-[200px] shrink-0 max-[700px]:w-full"
            label="the pack’s pictures and sounds"
            :hint="`Find in ${count(number, 'file')}`"
            :is-empty="rows.length === 0"
        />
        <nav
            ref="strip"
            class="low:h-[76px] h-[92px] min-w-0 grow overflow-x-auto overflow-y-hidden"
            aria-label="Pictures and sounds of the pack"
            @keydown="walk"
        >
            <div class="relative h-full" :style="{ width: `${virtualizer.getTotalSize()}px` }">
                <template v-for="item in virtualizer.getVirtualItems()" :key="String(item.key)">
                    <button
                        v-for="row in rows.slice(item.index, item.index + 1)"
                        :key="row.path"
                        type="button"
                        class="rounded-card absolute top-0 left-0 flex flex-col items-center border-2 p-[2px]"
                        :class="row.path === path ? 'border-lake' : 'hover:border-line border-transparent'"
                        :style="{ width: `${width - 4}px`, transform: `translateX(${item.start}px)` }"
                        :tabindex="item.index === tabStop ? 0 : -1"
                        :aria-current="row.path === path ? 'true' : undefined"
                        :aria-label="`${row.title}, ${row.noun}`"
                        :title="row.path"
                        @click="$emit('choose', row.path)"
                    >
                        <RowSheet :pack="pack" :summary="summary" :row="row" :size="40" />
                        <span
                            class="text-tiny low:line-clamp-1 line-clamp-2 w-full text-center leading-4 break-words"
                            >{{ nameOf(row) }}</span
                        >
                        <span
                            v-if="worstOf(row.findings)"
                            class="bg-paper absolute -top-0.5 right-1.5 px-0.5 leading-none"
                            ><SeverityMark :severity="worstOf(row.findings)!"
                        /></span>
                    </button>
                </template>
            </div>
        </nav>
    </div>
</template>
