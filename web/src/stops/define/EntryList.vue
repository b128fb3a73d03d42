<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, ref, watch } from 'vue'
import { pictureUrl, type EntryItem, type PackSummary } from '@/api/client'
import NarrowFields from '@/shared/parts/NarrowFields.vue'
import SeverityMark from '@/shared/parts/SeverityMark.vue'
import { count, endingOf } from '@/shared/words'

/** The pack's entries below their kinds, those in view drawn. One stop of the Tab key; the arrows go on. */
const props = defineProps<{
    pack: string
    summary: PackSummary
    entries: readonly EntryItem[]
    path: string
    /** How many there are before any were left away. */
    number: number
    /** The worst that was found at a path. */
    worst: (path: string) => string | undefined
    /** What the section's filter does here; empty without one. */
    note: string
}>()
const emit = defineEmits<{ choose: [entry: EntryItem]; all: []; make: [] }>()
const words = defineModel<string>('words', { required: true })
const isFoundOnly = defineModel<boolean>('isFoundOnly', { required: true })

type Line = { key: string; head: string; items: number } | { key: string; entry: EntryItem }

const box = ref<HTMLElement>()
const lines = computed(() =>
    [...Map.groupBy(props.entries, (entry) => entry.kindTitle)].flatMap(([kind, items]): Line[] => [
        { key: `head:${kind}`, head: kind, items: items.length },
        ...items.map((entry) => ({ key: entry.path, entry })),
    ]),
)
const virtualizer = useVirtualizer(
    computed(() => ({
        count: lines.value.length,
        getScrollElement: () => box.value ?? null,
        estimateSize: (index: number) => ('head' in lines.value[index]! ? 36 : 40),
        getItemKey: (index: number) => lines.value[index]?.key ?? index,
        overscan: 8,
    })),
)
watch(
    () => [props.path, props.entries.length, box.value],
    async () => {
        await nextTick()
        const at = lines.value.findIndex((line) => line.key === props.path)
        if (at >= 0) virtualizer.value.scrollToIndex(at, { align: 'auto' })
    },
    { immediate: true, flush: 'post' },
)
const tabStop = computed(() =>
    props.entries.some((entry) => entry.path === props.path) ? props.path : props.entries[0]?.path,
)

async function walk(event: KeyboardEvent) {
    const last = props.entries.length - 1
    const at = props.entries.findIndex((entry) => entry.path === props.path)
    const to = { ArrowUp: at - 1, ArrowDown: at + 1, Home: 0, End: last }[event.key]
    if (to === undefined || !(event.target instanceof HTMLButtonElement)) return
    event.preventDefault()
    const entry = props.entries[Math.max(0, Math.min(last, to))]
    if (!entry) return
    emit('choose', entry)
    await nextTick()
    requestAnimationFrame(() => box.value?.querySelector<HTMLElement>('[aria-current="true"]')?.focus())
}
const pictureOf = ({ picture }: EntryItem) => picture && pictureUrl(props.pack, props.summary, picture)
</script>

<template>
    <div
        class="border-line flex w-[250px] shrink-0 flex-col border-r"
        :class="[
            'max-[1000px]:w-[190px] max-[700px]:max-h-48 max-[700px]:w-full max-[700px]:border-r-0',
            'max-[700px]:border-b',
        ]"
    >
        <div class="flex flex-col gap-1 px-5 pt-3 pb-2">
            <NarrowFields
                v-model:words="words"
                v-model:is-found-only="isFoundOnly"
                label="the pack’s entries"
                :hint="`Find in ${number}`"
                :is-empty="entries.length === 0"
            />
            <button type="button" class="word self-start" data-test="new-entry" @click="$emit('make')">
                New entry …
            </button>
            <p v-if="note" class="text-small">
                {{ note }}. <button type="button" class="word" @click="$emit('all')">All places</button>
            </p>
        </div>
        <nav ref="box" class="min-h-0 grow overflow-y-auto" aria-label="Entries of the pack" @keydown="walk">
            <div class="relative" :style="{ height: `${virtualizer.getTotalSize()}px` }">
                <div
                    v-for="item in virtualizer.getVirtualItems()"
                    :key="item.key as string"
                    class="absolute inset-x-0 top-0"
                    :style="{ height: `${item.size}px`, transform: `translateY(${item.start}px)` }"
                >
                    <template v-for="line in lines.slice(item.index, item.index + 1)" :key="line.key">
                        <h2 v-if="'head' in line" class="text-faint text-small px-6 pt-3 pb-1 font-semibold">
                            {{ line.head }} · {{ line.items }}
                        </h2>
                        <button
                            v-else
                            type="button"
                            class="flex h-full w-full items-center gap-2.5 border-l-4 py-1 pr-3 pl-5 text-left"
                            :class="
                                line.entry.path === path
                                    ? 'border-lake bg-paper font-semibold'
                                    : 'hover:bg-paper border-transparent'
                            "
                            :tabindex="line.entry.path === tabStop ? 0 : -1"
                            :aria-current="line.entry.path === path ? 'true' : undefined"
                            :title="line.entry.path"
                            @click="$emit('choose', line.entry)"
                        >
                            <img
                                v-if="pictureOf(line.entry)"
                                :src="pictureOf(line.entry)!"
                                alt=""
                                class="pixels size-8 shrink-0 object-contain"
                                loading="lazy"
                            />
                            <span
                                v-else
                                class="text-faint text-tiny w-8 shrink-0 text-center font-mono"
                                aria-hidden="true"
                                >{{ endingOf(line.entry.path) }}</span
                            >
                            <span class="min-w-0 truncate">{{ line.entry.title }}</span>
                            <SeverityMark
                                v-if="worst(line.entry.path)"
                                :severity="worst(line.entry.path)!"
                                class="ml-auto shrink-0"
                            />
                        </button>
                    </template>
                </div>
            </div>
            <span class="sr-only" role="status">{{ count(entries.length, 'entry', 'entries') }}</span>
        </nav>
    </div>
</template>
