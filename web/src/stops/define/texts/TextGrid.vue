<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, ref } from 'vue'
import type { TextView } from '@/api/client'
import type { useCells } from './useCells'

/** Texts as rows, languages as columns; each cell is typed into where it stands. */
const props = defineProps<{
    texts: readonly TextView[]
    languages: readonly string[]
    cells: ReturnType<typeof useCells>
}>()
defineEmits<{ open: [path: string] }>()

const box = ref<HTMLElement>()
const virtualizer = useVirtualizer(
    computed(() => ({
        count: props.texts.length,
        getScrollElement: () => box.value ?? null,
        estimateSize: () => 58,
        getItemKey: (index: number) => props.texts[index]?.key ?? index,
        overscan: 6,
    })),
)
const columns = computed(() => `minmax(180px, 1fr) repeat(${props.languages.length}, minmax(140px, 1.4fr))`)
/** In which languages it was not changed yet, where there are others. */
function stillSays({ originals }: TextView) {
    const left = props.languages.filter((_, column) => originals[column])
    const where = left.length < props.languages.length ? ` in ${left.join(' and ')}` : ''
    return `still says what ${originals.find(Boolean)} does${where}`
}
const stateOf = (text: TextView) =>
    text.path === null
        ? 'for nothing'
        : text.originals.some(Boolean)
          ? stillSays(text)
          : text.isYours && text.below
            ? 'over the base’s'
            : text.isYours
              ? ''
              : text.below
                ? 'the base’s'
                : 'not written yet'
/** What is shown where a language has nothing. */
const fallback = (text: TextView) => text.says[0] || text.key

/** The same column, one row on. */
async function go(row: number, column: number) {
    if (row < 0 || row >= props.texts.length) return
    virtualizer.value.scrollToIndex(row)
    await nextTick()
    requestAnimationFrame(() => box.value?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)?.focus())
}
</script>

<template>
    <div ref="box" class="min-h-0 grow overflow-auto" role="table" :aria-rowcount="texts.length + 1" aria-label="Texts">
        <div
            class="bg-film border-line sticky top-0 z-10 grid gap-x-2 min-w-[760px] border-b px-5 py-1.5 font-semibold"
            role="row"
            :style="{ gridTemplateColumns: columns }"
        >
            <span role="columnheader">Text</span>
            <span v-for="(language, column) in languages" :key="language" role="columnheader">
                {{ language }}
                <span v-if="column === 0" class="text-faint text-small font-normal">shown where another has none</span>
            </span>
        </div>
        <div class="relative min-w-[760px]" :style="{ height: `${virtualizer.getTotalSize()}px` }">
            <div
                v-for="row in virtualizer.getVirtualItems()"
                :key="String(row.key)"
                role="row"
                :aria-rowindex="row.index + 2"
                class="border-line absolute inset-x-0 grid items-center gap-x-2 border-b px-5"
                :style="{
                    transform: `translateY(${row.start}px)`,
                    height: `${row.size}px`,
                    gridTemplateColumns: columns,
                }"
            >
                <template v-for="text in [texts[row.index]!]" :key="text.key">
                    <span role="rowheader" class="min-w-0 pr-2" :title="`${text.key} in ${text.file}`">
                        <span class="block truncate">
                            <button v-if="text.path" type="button" class="word" @click="$emit('open', text.path)">
                                {{ text.owner }}
                            </button>
                            <span v-else class="font-mono text-small">{{ text.key }}</span>
                            <span v-if="text.path" class="text-faint text-small ml-1.5">{{ text.word }}</span>
                        </span>
                        <span class="text-tiny text-faint block truncate"
                            >{{ stateOf(text) }} <span class="font-mono">{{ text.path ? text.key : '' }}</span></span
                        >
                    </span>
                    <span v-for="(language, column) in languages" :key="language" role="cell" class="min-w-0">
                        <input
                            class="field"
                            :class="cells.isRefused(text.key, language) ? 'border-madder border-2' : ''"
                            :value="cells.at(text.key, language) ?? text.says[column]"
                            :placeholder="column === 0 ? 'not written yet' : fallback(text)"
                            :aria-label="`${text.owner ?? text.key}, ${text.word}, ${language}`"
                            :aria-invalid="cells.isRefused(text.key, language)"
                            :lang="language"
                            :data-cell="`${row.index} ${column}`"
                            autocomplete="off"
                            @input="
                                cells.type(
                                    text.key,
                                    language,
                                    text.says[column]!,
                                    ($event.target as HTMLInputElement).value,
                                )
                            "
                            @blur="cells.save()"
                            @keydown.enter.prevent="go(row.index + 1, column)"
                            @keydown.down.prevent="go(row.index + 1, column)"
                            @keydown.up.prevent="go(row.index - 1, column)"
                            @keydown.esc.stop="cells.drop(text.key, language)"
                        />
                    </span>
                </template>
            </div>
        </div>
    </div>
</template>
