<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, inject, ref, watch } from 'vue'
import type { PackSummary } from '@/api/client'
import { dropKey } from '@/frame/useTrayDrop'
import { count } from '@/shared/words'
import TrayRowView from './TrayRowView.vue'
import { useTray } from './useTray'

/** Files that were dropped in and are not yet placed; it opens by itself when something is dropped. */
const props = defineProps<{ id: string; summary: PackSummary }>()
const rowHeight = 58
const drop = inject(dropKey)!
const { progress, refused } = drop
const { tray, isFetching, isBusy, stayed, place, placeSure, nameIt, discard } = useTray(() => props.id)
const isOpen = ref(true)
const rows = computed(() => tray.value?.rows ?? [])
watch(
    () => [rows.value.length, progress.value, refused.value.length],
    ([now, sending], [before]) => {
        if (sending !== null || (now as number) > (before as number)) isOpen.value = true
    },
)

const box = ref<HTMLElement>()
const virtualizer = useVirtualizer(
    computed(() => ({
        count: rows.value.length,
        getScrollElement: () => box.value ?? null,
        estimateSize: () => rowHeight,
        getItemKey: (index: number) => rows.value[index]?.path ?? index,
        overscan: 6,
    })),
)
const measure = (element: unknown) => virtualizer.value.measureElement(element as HTMLElement | null)
</script>

<template>
    <section
        v-if="rows.length > 0 || progress !== null || refused.length > 0"
        class="border-ink bg-paper flex max-h-[50%] shrink-0 flex-col border-t-2"
        aria-label="Tray"
        data-test="tray"
    >
        <header class="flex items-center gap-4 px-6 py-2">
            <button type="button" class="font-bold" :aria-expanded="isOpen" @click="isOpen = !isOpen">
                {{ isOpen ? '▾' : '▸' }} Tray
            </button>
            <span class="text-faint text-small" role="status">
                {{ count(rows.length, 'file') }} to place<template v-if="isFetching"
                    >, looking where they belong …</template
                >
            </span>
            <progress v-if="progress !== null" class="h-2 w-48" :value="progress" aria-label="Sending files"></progress>
            <span class="ml-auto flex items-center gap-4">
                <button
                    v-if="rows.length > 0"
                    type="button"
                    class="word text-small"
                    :disabled="isBusy"
                    @click="discard(rows.map((r) => r.file))"
                >
                    Throw all away
                </button>
                <button
                    v-if="tray && tray.sure > 0"
                    type="button"
                    class="press press-main"
                    :disabled="isBusy"
                    data-test="place-sure"
                    @click="placeSure"
                >
                    Place {{ count(tray.sure, 'sure one') }}
                </button>
            </span>
        </header>
        <div v-show="isOpen" class="flex min-h-0 flex-col">
            <div v-if="refused.length > 0" class="border-line border-t px-6 py-2" role="alert" data-test="refused">
                <p class="text-small flex items-baseline gap-3 font-semibold">
                    {{ count(refused.length, 'file was', 'files were') }} refused; the rest came in.
                    <button type="button" class="word" @click="drop.refused.value = []">Close</button>
                </p>
                <ul class="text-small max-h-28 overflow-y-auto">
                    <li v-for="item in refused" :key="item.path + item.says">
                        <span class="text-madder" aria-hidden="true">▼ </span
                        ><span class="font-mono">{{ item.path }}</span> {{ item.says }}
                    </li>
                </ul>
            </div>
            <!-- As high as what is in it: a row in which a path is typed is higher than the others. -->
            <div
                ref="box"
                class="min-h-0 overflow-y-auto"
                :style="{ height: `${Math.min(virtualizer.getTotalSize(), rowHeight * 6)}px` }"
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
                        role="group"
                        :aria-label="rows[item.index]?.file"
                    >
                        <TrayRowView
                            v-if="rows[item.index]"
                            :pack="id"
                            :summary="summary"
                            :row="rows[item.index]!"
                            :named="tray?.named ?? []"
                            :stayed="stayed[rows[item.index]!.path]"
                            :is-busy="isBusy"
                            @place="(target, insist) => place(rows[item.index]!, target, insist)"
                            @name="(key, noun) => nameIt(rows[item.index]!, key, noun)"
                            @discard="discard([rows[item.index]!.file])"
                        />
                    </div>
                </div>
            </div>
        </div>
    </section>
</template>
