<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, data } from '@/api/client'
import { useFindings, useLedger, usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import { useSelection } from '@/shared/composables/useSelection'
import { join, lines, matches, type Row } from '@/shared/ledger'
import LedgerList from '@/shared/parts/LedgerList.vue'
import SelectionBar from '@/shared/parts/SelectionBar.vue'
import StateNote from '@/shared/parts/StateNote.vue'
import { count, whole } from '@/shared/words'
import AddFiles from './AddFiles.vue'
import GatherRow from './GatherRow.vue'
import TrayDrawer from './TrayDrawer.vue'
import { useHearRow } from './useHearRow'
import { useRowOpening } from './useRowOpening'

const props = defineProps<{ id: string }>()
const { data: pack } = usePack(() => props.id)
const { data: ledger, error, isPending, refetch } = useLedger(() => props.id)
const { data: findings } = useFindings(() => props.id)
const router = useRouter()
const open = useRowOpening(() => props.id)
const place = useQueryValue('place')
const text = useQueryValue('words')
const state = useQueryValue('state')
const typed = refDebounced(text, 150)
const words = computed(() => typed.value.toLowerCase().split(/\s+/).filter(Boolean))
const summary = computed(() => pack.value?.summary)
const swapped = ref<string | null>(null)

// Words also find base files by what is in them: materials, ids, sizes.
const { data: hits } = useQuery({
    queryKey: ['base', () => summary.value?.host, () => summary.value?.edition, typed],
    queryFn: () =>
        data(
            api.GET('/api/hosts/{host}/editions/{edition}/base', {
                params: {
                    path: { host: summary.value!.host, edition: summary.value!.edition },
                    query: { words: typed.value },
                },
            }),
        ),
    enabled: () => words.value.length > 0 && summary.value !== undefined,
})

/** True where the pack has nothing at the chosen place. */
const isBare = computed(() => {
    const column = summary.value?.section.find((c) => c.place === place.value)
    return column !== undefined && column.overrides + column.copies + column.additions === 0
})
/** Words look everywhere; without them a pack that has files shows its own, and where it has none the base's. */
const shownState = computed(
    () =>
        state.value ||
        (words.value.length > 0 || !summary.value?.files || summary.value.files < 2 || isBare.value ? 'all' : 'yours'),
)

const rows = computed(() => join(ledger.value?.rows ?? [], findings.value?.rows ?? []))
const shown = computed(() =>
    rows.value.filter((row) =>
        matches(row, {
            place: place.value,
            state: shownState.value,
            words: words.value,
            hits: new Set(words.value.length > 0 ? hits.value?.hits.map((hit) => hit.path) : []),
        }),
    ),
)
const shownLines = computed(() => (summary.value ? lines(shown.value, summary.value) : []))
const listName = `gather:${props.id}`
const selection = useSelection(listName, shownLines)
const covered = computed(() => summary.value?.section.reduce((sum, c) => sum + c.overrides, 0) ?? 0)
const copies = computed(() => summary.value?.section.reduce((sum, c) => sum + c.copies, 0) ?? 0)
const inBase = computed(() => summary.value?.section.reduce((sum, c) => sum + c.inBase, 0) ?? 0)

const hear = useHearRow(() => props.id, summary)
function onKey(key: string, row: Row, element: HTMLElement | null) {
    if (key === 'h') hear(row)
    if (key === 'x' || key === 'b') swapped.value = swapped.value === row.path ? null : row.path
    if (key === 'f') element?.querySelector<HTMLButtonElement>('[data-test="fix"]')?.click()
    if (key === 'w') element?.querySelector<HTMLButtonElement>('[data-test="waive"]')?.click()
}

function clear() {
    const query = { ...router.currentRoute.value.query }
    delete query.words
    delete query.place
    void router.replace({ query: { ...query, state: 'all' } })
}
</script>

<template>
    <div class="flex h-full flex-col">
        <div class="flex flex-wrap items-center gap-3 px-6 py-3">
            <label class="flex w-[300px] max-w-full items-center gap-2">
                <span class="sr-only">Find in base and pack</span>
                <input
                    v-model="text"
                    type="search"
                    class="field"
                    placeholder="Find: name, path, id, size"
                    data-search
                    @keydown.esc="text = ''"
                /><kbd class="key" aria-hidden="true">/</kbd>
            </label>
            <label>
                <span class="sr-only">Place</span>
                <select v-model="place" class="field max-w-[150px]">
                    <option value="">All places</option>
                    <option v-for="column in summary?.section" :key="column.place" :value="column.place">
                        {{ column.title }}
                    </option>
                </select>
            </label>
            <label>
                <span class="sr-only">State</span>
                <select
                    :value="shownState"
                    class="field max-w-[140px]"
                    @change="state = ($event.target as HTMLSelectElement).value"
                >
                    <option value="all">Base and yours</option>
                    <option value="yours">Yours</option>
                    <option value="base">Only in the base</option>
                    <option value="found">With findings</option>
                </select>
            </label>
            <AddFiles :plays-sounds="summary?.playsSounds ?? false" />
            <span class="text-faint text-small ml-auto" data-test="coverage"
                >{{ whole(covered) }} of {{ whole(inBase) }} overridden{{
                    copies > 0 ? `, ${count(copies, 'copy', 'copies')}` : ''
                }}</span
            >
        </div>
        <div class="border-line min-h-0 grow border-t">
            <StateNote
                v-if="isPending || (error && !ledger)"
                :is-loading="isPending"
                :problem="error"
                @again="refetch"
            />
            <StateNote
                v-else-if="shown.length === 0"
                :title="words.length > 0 ? 'Nothing has these words' : 'Nothing here'"
            >
                <template v-if="shownState === 'yours'"
                    >Your pack has no file here yet. Drop files anywhere on this page, or bring some from the
                    base.</template
                >
                <template v-else>Other words, another place or another state may find it.</template>
                <button type="button" class="word ml-2" @click="clear">Show all of base and yours</button>
            </StateNote>
            <LedgerList
                v-else
                :lines="shownLines"
                label="Files"
                :name="listName"
                :selection="selection"
                @open="open"
                @key="onKey"
            >
                <template #default="{ row }">
                    <GatherRow
                        :pack="id"
                        :summary="summary!"
                        :row="row"
                        :is-swapped="swapped === row.path"
                        @open="open(row)"
                    />
                </template>
            </LedgerList>
        </div>
        <SelectionBar :pack="id" :selection="selection" />
        <TrayDrawer v-if="summary" :id="id" :summary="summary" />
    </div>
</template>
