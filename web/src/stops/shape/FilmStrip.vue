<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import type { PackSummary } from '@/api/client'
import type { Row } from '@/shared/ledger'
import RowSheet from '@/shared/parts/RowSheet.vue'
import SeverityMark from '@/shared/parts/SeverityMark.vue'

/** The pack's pictures in a row, to choose the one to shape. */
const props = defineProps<{ pack: string; summary: PackSummary; rows: readonly Row[]; path: string }>()
defineEmits<{ choose: [path: string] }>()
const strip = ref<HTMLElement>()

watch(
    () => [props.path, props.rows.length],
    async () => {
        await nextTick()
        strip.value?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
    },
    { immediate: true },
)
const worst = (row: Row) =>
    row.findings
        .filter((f) => !f.waived)
        .map((f) => f.severity)
        .sort()[0]
</script>

<template>
    <nav
        ref="strip"
        class="border-line flex shrink-0 gap-2 overflow-x-auto border-b px-6 py-2"
        aria-label="Pictures of the pack"
    >
        <button
            v-for="row in rows"
            :key="row.path"
            type="button"
            class="rounded-card relative shrink-0 border-2 p-[2px]"
            style="content-visibility: auto; contain-intrinsic-size: 52px"
            :class="row.path === path ? 'border-lake' : 'hover:border-line border-transparent'"
            :aria-current="row.path === path ? 'true' : undefined"
            :aria-label="`${row.title}, ${row.noun}`"
            :title="row.path"
            @click="$emit('choose', row.path)"
        >
            <RowSheet :pack="pack" :summary="summary" :row="row" :size="44" />
            <span v-if="worst(row)" class="bg-paper absolute -top-0.5 right-0 px-0.5 leading-none"
                ><SeverityMark :severity="worst(row)!"
            /></span>
        </button>
    </nav>
</template>
