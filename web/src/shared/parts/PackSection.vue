<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { SectionColumn } from '@/api/client'
import { useLabels } from '../composables/useLabels'
import { numbersOf } from '../coverage'
import PlacesMenu from './PlacesMenu.vue'
import SeverityMark from './SeverityMark.vue'

/** A cut through the pack's layers: base in hatch, what is overridden filled, additions dotted, findings cut into the top edge. */
const props = defineProps<{ columns: readonly SectionColumn[]; isSmall?: boolean; chosen?: string }>()
defineEmits<{ choose: [place: string] }>()

const marks = (column: SectionColumn) =>
    (['blocker', 'warning', 'note'] as const)
        .map((severity) => ({ severity, number: column.findings[severity] }))
        .filter((mark) => mark.number > 0)

const isTouched = (c: SectionColumn) => c.overrides + c.copies + c.additions > 0 || marks(c).length > 0
const MOST_COLUMNS = 8
/** Hosts with many places: those that the pack does not touch are left away where there is little room, and narrow where there is more. */
const isCrowded = computed(() => props.columns.length > MOST_COLUMNS)
const strip = ref<HTMLElement>()
const { width: room } = useElementSize(strip)
/** The least width of a column, in pixels: enough to press. */
const least = computed(() => (props.isSmall ? 14 : 24))
const [COLUMN_GAP, FAMILY_GAP, MARK, DIGIT] = [3, 9, 17, 7]
/** The same, with room for the longest number that is cut into its edge. */
const leastOf = (c: SectionColumn) =>
    props.isSmall
        ? least.value
        : Math.max(least.value, ...marks(c).map((mark) => MARK + DIGIT * `${mark.number}`.length))
const leastOfAll = (columns: readonly SectionColumn[]) =>
    columns.reduce((sum, column) => sum + leastOf(column) + COLUMN_GAP, 0)
const shown = computed(() => {
    const touched = props.columns.filter(isTouched)
    if (props.isSmall && isCrowded.value) return touched.length > 0 ? touched : props.columns.slice(0, MOST_COLUMNS)
    const all = props.columns.filter((c) => c.place !== 'elsewhere' || isTouched(c))
    const free = room.value - new Set(all.map((c) => c.family)).size * FAMILY_GAP
    if (room.value === 0 || leastOfAll(all) <= free) return all
    // Where there is no room for all, the smallest that the pack does not touch are in the list of places only.
    const kept = (c: SectionColumn) => isTouched(c) || c.place === props.chosen
    const others = all.filter((c) => !kept(c)).sort((a, b) => b.inBase - a.inBase)
    const fitting = Math.floor((free - leastOfAll(all.filter(kept))) / (least.value + COLUMN_GAP))
    const added = new Set(others.slice(0, Math.max(0, fitting)))
    return all.filter((c) => kept(c) || added.has(c))
})
/** Places of one family stand together. */
const inFamilies = (columns: readonly SectionColumn[]) =>
    [...Map.groupBy(columns, (column) => column.family)].map(([title, members]) => ({
        key: title,
        title,
        columns: members,
    }))
const families = computed(() => inFamilies(shown.value))
const everyFamily = computed(() => inFamilies(props.columns.filter((c) => c.place !== 'elsewhere' || isTouched(c))))
/** So many side by side that a mark has no room for its number; the row says the sum. */
const isTight = computed(() => props.isSmall && shown.value.length > 12)
const isNarrow = (c: SectionColumn) => isCrowded.value && !isTouched(c) && props.chosen !== c.place

const labels = useLabels(strip, () =>
    families.value.map(({ key, title, columns }) => ({
        key,
        title,
        columns: columns.map((column) => ({ key: column.place, title: column.title })),
    })),
)

const pointed = ref<SectionColumn | null>(null)
/** Wide by what there is, and no narrower than the title needs where many stand side by side. */
const width = (column: SectionColumn) =>
    isNarrow(column)
        ? 0.8
        : Math.max(2.2, Math.sqrt(column.inBase + column.additions), isCrowded.value ? column.title.length * 0.45 : 0)
const share = (column: SectionColumn) => (column.inBase === 0 ? 0 : column.overrides / column.inBase)
const added = (column: SectionColumn) =>
    column.additions === 0 ? 0 : Math.max(0.12, column.additions / Math.max(column.inBase + column.additions, 1))

/** One stop of the Tab key; the arrows go from column to column. */
const at = ref('')
const tabStop = computed(() => {
    const keys = families.value.flatMap((family) => family.columns.map((column) => column.place))
    return [at.value, props.chosen ?? '', keys[0] ?? ''].find((key) => keys.includes(key))
})
function walk(event: KeyboardEvent) {
    const all = [...(strip.value?.querySelectorAll<HTMLElement>('[data-column]') ?? [])]
    const now = all.indexOf(event.target as HTMLElement)
    const to = { ArrowLeft: now - 1, ArrowRight: now + 1, Home: 0, End: all.length - 1 }[event.key]
    if (to === undefined || now < 0) return
    event.preventDefault()
    all[Math.max(0, Math.min(all.length - 1, to))]?.focus()
}

const says = (column: SectionColumn) => `${column.title}: ${numbersOf(column)}`
</script>

<template>
    <div class="flex min-w-0 gap-2">
        <div
            ref="strip"
            class="relative flex min-w-0 grow gap-[9px] overflow-hidden [scrollbar-width:none]"
            :class="[
                'max-[1000px]:gap-[6px] max-[1000px]:overflow-x-auto',
                isSmall ? 'h-[62px]' : 'low:hidden h-[80px]',
            ]"
            role="group"
            aria-label="Section of the pack"
            @keydown="walk"
        >
            <div
                v-for="family in families"
                :key="family.key"
                class="relative flex basis-0 items-start gap-[3px]"
                :style="{
                    flexGrow: family.columns.reduce((sum, column) => sum + width(column), 0),
                    minWidth: `${leastOfAll(family.columns) - COLUMN_GAP}px`,
                }"
                :data-group="family.key"
            >
                <component
                    :is="isSmall ? 'span' : 'button'"
                    v-for="column in family.columns"
                    :key="column.place"
                    :type="isSmall ? undefined : 'button'"
                    class="column basis-0 text-left"
                    :style="{ flexGrow: width(column), minWidth: `${leastOf(column)}px` }"
                    :tabindex="isSmall ? undefined : tabStop === column.place ? 0 : -1"
                    :aria-pressed="isSmall ? undefined : chosen === column.place"
                    :aria-label="says(column)"
                    :role="isSmall ? 'img' : undefined"
                    :title="isSmall ? says(column) : undefined"
                    :data-place="column.place"
                    :data-column="column.place"
                    @mouseenter="pointed = column"
                    @mouseleave="pointed = null"
                    @focus="((pointed = column), (at = column.place))"
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
                        <span
                            class="bg-ink absolute inset-x-0 bottom-0"
                            :style="{ height: `${share(column) * 100}%` }"
                        ></span>
                        <span
                            v-if="column.additions > 0"
                            class="border-ink absolute inset-x-0 border-2 border-b-0 border-dotted"
                            :style="{
                                bottom: `${share(column) * 100}%`,
                                height: `${Math.min(added(column), 1 - share(column)) * 100}%`,
                            }"
                        ></span>
                        <span class="absolute top-0 right-0 left-0 flex flex-wrap items-start gap-x-1 px-px">
                            <span
                                v-for="mark in marks(column)"
                                :key="mark.severity"
                                class="mark bg-paper text-ink text-tiny flex items-center gap-[2px] px-px leading-3"
                            >
                                <SeverityMark :severity="mark.severity" />{{ isTight ? '' : mark.number }}
                            </span>
                        </span>
                    </span>
                    <span class="hatch border-ink block border-t" :class="isSmall ? 'h-[9px]' : 'h-[12px]'"></span>
                    <span
                        v-if="!isSmall && labels[family.key] === 'columns'"
                        class="text-tiny block pt-0.5 whitespace-nowrap"
                        :class="chosen === column.place ? 'font-bold' : ''"
                        data-label
                        >{{ column.title }}</span
                    >
                </component>
                <span
                    v-if="!isSmall && labels[family.key] === 'group'"
                    class="text-tiny pointer-events-none absolute top-[60px] left-0 pt-0.5 whitespace-nowrap"
                    :class="family.columns.some((column) => column.place === chosen) ? 'font-bold' : ''"
                    aria-hidden="true"
                    data-label
                    >{{ family.title }}</span
                >
            </div>
            <!-- In the labels' place while a column is pointed at: its own name and its numbers. -->
            <p
                v-if="pointed && !isSmall"
                class="text-tiny bg-film pointer-events-none absolute inset-x-0 bottom-0 truncate"
                aria-hidden="true"
            >
                <strong>{{ pointed.title }}</strong> {{ numbersOf(pointed) }}
            </p>
        </div>
        <PlacesMenu v-if="!isSmall" :families="everyFamily" :chosen="chosen" @choose="$emit('choose', $event)" />
    </div>
</template>
