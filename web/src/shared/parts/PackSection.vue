<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SectionColumn } from '@/api/client'
import { count } from '../words'
import SeverityMark from './SeverityMark.vue'

/** A cut through the pack's layers: base in hatch, what is overridden filled, additions dotted, findings cut into the top edge. */
const props = defineProps<{ columns: readonly SectionColumn[]; isSmall?: boolean; chosen?: string }>()
defineEmits<{ choose: [place: string] }>()

const isTouched = (c: SectionColumn) => c.overrides + c.additions > 0 || marks(c).length > 0
const MOST_COLUMNS = 8
/** Hosts with many places: those that the pack does not touch are left away where there is little room, and narrow where there is more. */
const isCrowded = computed(() => props.columns.length > MOST_COLUMNS)
const shown = computed(() => {
    const touched = props.columns.filter(isTouched)
    if (props.isSmall && isCrowded.value) return touched.length > 0 ? touched : props.columns.slice(0, MOST_COLUMNS)
    return props.columns.filter((c) => c.place !== 'elsewhere' || isTouched(c))
})
/** So many side by side that a mark has no room for its number; the row says the sum. */
const isTight = computed(() => props.isSmall && shown.value.length > 12)
const isNarrow = (c: SectionColumn) => isCrowded.value && !isTouched(c) && props.chosen !== c.place

const pointed = ref<SectionColumn | null>(null)
/** Wide by what there is, and no narrower than the title needs where many stand side by side. */
const width = (column: SectionColumn) =>
    Math.max(2.2, Math.sqrt(column.inBase + column.additions), isCrowded.value ? column.title.length * 0.45 : 0)
const share = (column: SectionColumn) => (column.inBase === 0 ? 0 : column.overrides / column.inBase)
const added = (column: SectionColumn) =>
    column.additions === 0 ? 0 : Math.max(0.12, column.additions / Math.max(column.inBase + column.additions, 1))

const marks = (column: SectionColumn) =>
    (['blocker', 'warning', 'note'] as const)
        .map((severity) => ({ severity, number: column.findings[severity] }))
        .filter((mark) => mark.number > 0)

function says(column: SectionColumn) {
    const parts = [
        column.place === 'elsewhere' ? '' : `${column.overrides} of ${column.inBase} overridden`,
        column.additions > 0 ? `${column.additions} added` : '',
        column.findings.blocker > 0 ? count(column.findings.blocker, 'blocker') : '',
        column.findings.warning > 0 ? count(column.findings.warning, 'warning') : '',
        column.findings.note > 0 ? count(column.findings.note, 'note') : '',
    ]
    return `${column.title}: ${parts.filter(Boolean).join(', ') || 'nothing yet'}`
}
</script>

<template>
    <div
        class="relative flex min-w-0 gap-[3px]"
        :class="isSmall ? 'h-[62px]' : 'h-[84px]'"
        role="group"
        aria-label="Section of the pack"
    >
        <component
            :is="isSmall ? 'span' : 'button'"
            v-for="column in shown"
            :key="column.place"
            :type="isSmall ? undefined : 'button'"
            class="column basis-0 text-left"
            :class="isSmall ? 'min-w-[20px]' : 'min-w-[24px]'"
            :style="{ flexGrow: isNarrow(column) ? 0 : width(column) }"
            :aria-pressed="isSmall ? undefined : chosen === column.place"
            :aria-label="says(column)"
            :role="isSmall ? 'img' : undefined"
            :title="isSmall ? says(column) : undefined"
            :data-place="column.place"
            @mouseenter="pointed = column"
            @mouseleave="pointed = null"
            @focus="pointed = column"
            @blur="pointed = null"
            @click="isSmall || $emit('choose', chosen === column.place ? '' : column.place)"
        >
            <span
                class="border-line relative block border border-b-0"
                :class="[
                    isSmall ? 'h-[44px]' : 'h-[48px]',
                    chosen === column.place ? 'bg-paper outline-lake outline-2' : 'bg-paper',
                ]"
            >
                <span class="bg-ink absolute inset-x-0 bottom-0" :style="{ height: `${share(column) * 100}%` }"></span>
                <span
                    v-if="column.additions > 0"
                    class="border-ink absolute inset-x-0 border-2 border-b-0 border-dotted"
                    :style="{
                        bottom: `${share(column) * 100}%`,
                        height: `${Math.min(added(column), 1 - share(column)) * 100}%`,
                    }"
                ></span>
                <span class="absolute top-0 right-0 left-0 flex flex-wrap items-start gap-x-1 px-[3px]">
                    <span
                        v-for="mark in marks(column)"
                        :key="mark.severity"
                        class="mark bg-paper text-ink text-tiny flex items-center gap-[2px] px-[2px] leading-3"
                    >
                        <SeverityMark :severity="mark.severity" />{{ isTight ? '' : mark.number }}
                    </span>
                </span>
            </span>
            <span class="hatch border-ink block border-t" :class="isSmall ? 'h-[9px]' : 'h-[12px]'"></span>
            <span
                v-if="!isSmall"
                class="text-tiny block truncate pt-0.5"
                :class="chosen === column.place ? 'font-bold' : ''"
            >
                {{ isNarrow(column) ? '\u00a0' : column.title }}
            </span>
        </component>
        <!-- In the labels' place while a column is pointed at: its numbers. -->
        <p
            v-if="pointed && !isSmall"
            class="text-tiny bg-film pointer-events-none absolute inset-x-0 bottom-0 truncate"
            aria-hidden="true"
        >
            {{ says(pointed) }}
        </p>
    </div>
</template>
