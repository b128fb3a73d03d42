<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { useLocalStorage, useSessionStorage } from '@vueuse/core'
import { computed, inject, nextTick, ref, watch } from 'vue'
import type { PackSummary, TrayRow } from '@/api/client'
import { dropKey } from '@/frame/useTrayDrop'
import { useRowFocus } from '@/shared/composables/useRowFocus'
import { count, whole } from '@/shared/words'
import RefusedList from './RefusedList.vue'
import SplitDialog from './SplitDialog.vue'
import TrayEdge from './TrayEdge.vue'
import TrayHead from './TrayHead.vue'
import TrayNarrowing from './TrayNarrowing.vue'
import TrayRowView from './TrayRowView.vue'
import { useTray } from './useTray'
import { useTrayChoices, type TrayGroup } from './useTrayChoices'
import { useTrayNarrowing } from './useTrayNarrowing'

/** Files that were dropped in and are not yet placed; it opens by itself when something is dropped. */
const props = defineProps<{ id: string; summary: PackSummary }>()
const rowHeight = 61
const drop = inject(dropKey)!
const { refused } = drop
const { tray, isFetching, isBusy, stayed, place, placeAll, begin, nameIt, discard } = useTray(() => props.id)
const isOpen = ref(true)
/** How much of the stop it takes at most, in hundredths. */
const height = useLocalStorage('underlay-tray-height', 72)
const rows = computed(() => tray.value?.rows ?? [])
watch(
    () => [rows.value.length, drop.isSending.value] as const,
    ([now, isSending], [before]) => {
        if (isSending || now > before) isOpen.value = true
    },
)

// It stays for this page while rows scroll out of view, another stop is open or the page is loaded again.
const choices = useTrayChoices(
    rows,
    useSessionStorage(() => `underlay-tray:${props.id}`, {}),
)
/** The recording that is split; it stays while its dialog closes. */
const splitFile = ref('')
const isSplitting = ref(false)

const { words, only, isNarrowed, shown, inView } = useTrayNarrowing(choices)

type Line = { key: string; head: TrayGroup } | { key: string; row: TrayRow }
const lines = computed(() =>
    shown.value.flatMap((group): Line[] => [
        { key: `head:${group.key}`, head: group },
        ...group.rows.map((row) => ({ key: row.path, row })),
    ]),
)
const sure = computed(() => choices.groups.value.find((group) => group.kind === 'sure'))
const placeReady = (group: TrayGroup) =>
    placeAll(group.rows.filter(choices.isReady).map((row) => ({ row, target: choices.targetOf(row) })))

const box = ref<HTMLElement>()
const virtualizer = useVirtualizer(
    computed(() => ({
        count: lines.value.length,
        getScrollElement: () => box.value ?? null,
        estimateSize: (index: number) => ('head' in lines.value[index]! ? 41 : rowHeight),
        getItemKey: (index: number) => lines.value[index]?.key ?? index,
        overscan: 4,
    })),
)
const measure = (element: unknown) => virtualizer.value.measureElement(element as HTMLElement | null)

// One placed after the other: where a row was placed, the next one's press has the focus.
async function focusRow(key: string) {
    virtualizer.value.scrollToIndex(
        lines.value.findIndex((line) => line.key === key),
        { align: 'auto' },
    )
    await nextTick()
    requestAnimationFrame(() => {
        box.value?.querySelector<HTMLElement>(`[data-key="${CSS.escape(key)}"]`)?.focus()
        focusPress()
    })
}
/** The press of the row that has the focus takes it, once it can be pressed. */
function focusPress() {
    const row = document.activeElement
    if (row?.matches('[data-key]') && box.value?.contains(row))
        row.querySelector<HTMLElement>('[data-test="place"]:not(:disabled)')?.focus()
}
watch(isBusy, focusPress, { flush: 'post' })
useRowFocus(box, () => lines.value.flatMap((line) => ('row' in line ? [line.key] : [])), focusRow)
</script>

<template>
    <section
        v-if="rows.length > 0 || refused.length > 0"
        class="border-ink bg-paper relative flex shrink-0 flex-col border-t-2"
        :style="{ maxHeight: `${height}%` }"
        aria-label="Tray"
        data-test="tray"
    >
        <TrayEdge v-if="isOpen" v-model="height" />
        <header class="flex flex-wrap items-center gap-x-4 gap-y-1 px-6 py-2">
            <button type="button" class="font-bold" data-tray :aria-expanded="isOpen" @click="isOpen = !isOpen">
                {{ isOpen ? '▾' : '▸' }} Tray
            </button>
            <span class="text-faint text-small" role="status">
                {{ count(rows.length, 'file') }} to place<template v-if="isFetching"
                    >, looking where they belong …</template
                >
            </span>
            <TrayNarrowing
                v-if="(rows.length > 5 || isNarrowed) && isOpen"
                v-model:words="words"
                v-model:only="only"
                :kinds="choices.kinds.value"
            />
            <span class="ml-auto flex items-center gap-4">
                <button
                    v-if="inView.length > 0"
                    type="button"
                    class="word text-small"
                    :disabled="isBusy"
                    @click="discard(inView.map((row) => row.file))"
                >
                    {{ isNarrowed ? `Throw the ${whole(inView.length)} shown away` : 'Throw all away' }}
                </button>
                <button
                    v-if="sure"
                    type="button"
                    class="press press-main"
                    :disabled="isBusy"
                    data-test="place-sure"
                    @click="placeReady(sure)"
                >
                    Place {{ sure.rows.length === 1 ? 'the sure one' : `the ${whole(sure.rows.length)} sure ones` }}
                </button>
            </span>
        </header>
        <div v-show="isOpen" class="flex min-h-0 flex-col">
            <RefusedList v-if="refused.length > 0" :refused="refused" @close="drop.refused.value = []" />
            <!-- As high as what is in it: a row in which a path is typed is higher than the others. -->
            <div
                ref="box"
                class="min-h-0 overflow-y-auto"
                :style="{ height: `${virtualizer.getTotalSize()}px` }"
                role="region"
                aria-label="Files in the tray"
                tabindex="-1"
            >
                <div class="relative w-full" :style="{ height: `${virtualizer.getTotalSize()}px` }">
                    <div
                        v-for="item in virtualizer.getVirtualItems()"
                        :key="item.key as string"
                        :ref="measure"
                        :data-index="item.index"
                        class="absolute inset-x-0 top-0"
                        :style="{ transform: `translateY(${item.start}px)` }"
                    >
                        <template v-for="line in lines.slice(item.index, item.index + 1)" :key="line.key">
                            <TrayHead
                                v-if="'head' in line"
                                :pack="id"
                                :group="line.head"
                                :choices="choices"
                                :is-busy="isBusy"
                                @place="placeReady(line.head)"
                                @begin="(name) => begin(line.head.thing!, name, line.head.rows)"
                            />
                            <div v-else role="group" tabindex="-1" :aria-label="line.row.file" :data-key="line.key">
                                <TrayRowView
                                    :pack="id"
                                    :summary="summary"
                                    :row="line.row"
                                    :choices="choices"
                                    :places="tray?.named ?? []"
                                    :stayed="stayed[line.row.path]"
                                    :is-busy="isBusy"
                                    @place="(target, insist) => place(line.row, target, insist)"
                                    @name="(key, noun) => nameIt(line.row, key, noun)"
                                    @discard="discard([line.row.file])"
                                    @split="((splitFile = line.row.file), (isSplitting = true))"
                                />
                            </div>
                        </template>
                    </div>
                </div>
                <p v-if="lines.length === 0 && rows.length > 0" class="text-faint px-6 pb-3">
                    No file of the tray has this.
                    <button type="button" class="word" @click="((words = ''), (only = ''))">Show all</button>
                </p>
            </div>
        </div>
        <SplitDialog v-if="splitFile" v-model="isSplitting" :pack="id" :file="splitFile" />
    </section>
</template>
