<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FindingView } from '@/api/client'
import { useFixes } from '@/shared/composables/useFixes'
import { useFindings, useLedger, usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import { useSelection } from '@/shared/composables/useSelection'
import { join, lines, matches, type Row } from '@/shared/ledger'
import FindingNote from '@/shared/parts/FindingNote.vue'
import LedgerList from '@/shared/parts/LedgerList.vue'
import RowName from '@/shared/parts/RowName.vue'
import RowSheet from '@/shared/parts/RowSheet.vue'
import SelectionBar from '@/shared/parts/SelectionBar.vue'
import SeverityMark from '@/shared/parts/SeverityMark.vue'
import StateNote from '@/shared/parts/StateNote.vue'
import { count, whole } from '@/shared/words'
import { useRowOpening } from '../gather/useRowOpening'
import TrialView from './TrialView.vue'

const props = defineProps<{ id: string }>()
const { data: pack } = usePack(() => props.id)
const { data: ledger } = useLedger(() => props.id)
const { data: findings, error, isPending, refetch } = useFindings(() => props.id)
const fixes = useFixes(() => props.id)
const open = useRowOpening(() => props.id)
const place = useQueryValue('place')
const look = useQueryValue('look', 'findings')
const severity = useQueryValue('severity')
const code = useQueryValue('finding')
/** One file alone, as the trial asks for it. */
const path = useQueryValue('path')
const swapped = ref<string | null>(null)

const summary = computed(() => pack.value?.summary)
const isChosen = (finding: FindingView) =>
    (!code.value || finding.name.code === code.value) &&
    (severity.value === 'waived'
        ? finding.waived !== null
        : !severity.value || (finding.severity === severity.value && finding.waived === null))
const rows = computed(() =>
    join(ledger.value?.rows ?? [], findings.value?.rows ?? [])
        .filter((row) => (!path.value || row.path === path.value) && row.findings.some(isChosen))
        .map((row) => ({ ...row, findings: row.findings.filter(isChosen) }))
        .filter((row) => matches(row, { place: place.value, state: 'all', words: [], hits: new Set() })),
)
const shownLines = computed(() => (summary.value ? lines(rows.value, summary.value) : []))
const listName = `prove:${props.id}`
const selection = useSelection(listName, shownLines)
const waived = computed(() => (findings.value?.rows ?? []).filter((f) => f.waived).length)
const filters = computed(() => [
    ...(['blocker', 'warning', 'note'] as const).map((key) => ({
        key,
        number: findings.value?.counts[key] ?? 0,
        says: count(findings.value?.counts[key] ?? 0, key),
    })),
    { key: 'waived', number: waived.value, says: `${whole(waived.value)} waived` },
])

/** Repairs of one kind that several of the rows shown have: one press for all of them. */
const mostKinds = 4
const kinds = computed(() => {
    const mendable = rows.value
        .flatMap((row) => row.findings)
        .filter((f) => f.fix && !f.waived && !f.fix.isOffer && !f.fix.losesNothing && !f.fix.question)
    return [...Map.groupBy(mendable, (f) => f.name.code)]
        .filter(([, alike]) => alike.length > 1)
        .sort(([, one], [, other]) => other.length - one.length)
        .flatMap(([code, alike]) => {
            const says = forAll(alike)
            return says ? [{ code, says, fixes: alike.map((f) => ({ finding: f.name })) }] : []
        })
        .slice(0, mostKinds)
})

/** Words that say nothing without what follows them. */
const saysLittle = new Set(['Set', 'Change', 'Put', 'Take', 'Bring'])
/** What each of them does, by its first word: "Fit all 14"; null where that would not tell what is done. */
function forAll(alike: readonly FindingView[]): string | null {
    const words = new Set(alike.map((f) => f.fix!.title.split(' ')[0]!))
    const [word] = words
    return words.size === 1 && !saysLittle.has(word!) ? `${word} all ${whole(alike.length)}` : null
}

function onKey(key: string, row: Row, element: HTMLElement | null) {
    if (key === 'x' || key === 'b') swapped.value = swapped.value === row.path ? null : row.path
    if (key === 'f') element?.querySelector<HTMLButtonElement>('[data-test="fix"]')?.click()
    if (key === 'w') element?.querySelector<HTMLButtonElement>('[data-test="waive"]')?.click()
}
</script>

<template>
    <div class="flex h-full flex-col">
        <div class="flex flex-wrap items-center gap-x-5 gap-y-2 px-6 py-3">
            <div class="flex gap-1" role="group" aria-label="Look at">
                <button
                    type="button"
                    class="press"
                    :class="look === 'findings' ? 'press-main' : ''"
                    :aria-pressed="look === 'findings'"
                    @click="look = 'findings'"
                >
                    Findings
                </button>
                <button
                    type="button"
                    class="press"
                    :class="look === 'trial' ? 'press-main' : ''"
                    :aria-pressed="look === 'trial'"
                    data-test="look-trial"
                    @click="look = 'trial'"
                >
                    Trial
                </button>
            </div>
            <template v-if="look === 'findings'">
                <button
                    v-for="filter in filters.filter((f) => f.number > 0 || severity === f.key)"
                    :key="filter.key"
                    type="button"
                    class="text-small flex items-center gap-1.5"
                    :class="severity === filter.key ? 'font-bold underline underline-offset-4' : ''"
                    :aria-pressed="severity === filter.key"
                    @click="severity = severity === filter.key ? '' : filter.key"
                >
                    <SeverityMark v-if="filter.key !== 'waived'" :severity="filter.key" />{{ filter.says }}
                </button>
                <button v-if="place" type="button" class="word text-small" @click="place = ''">Show all places</button>
                <button v-if="path" type="button" class="word text-small" @click="path = ''">Show all files</button>
                <button v-if="code" type="button" class="word text-small" @click="code = ''">Show all findings</button>
                <button
                    v-for="kind in kinds"
                    :key="kind.code"
                    type="button"
                    class="press"
                    :disabled="fixes.isBusy.value"
                    :title="kind.code"
                    data-test="fix-kind"
                    @click="fixes.applySeveral(kind.fixes)"
                >
                    {{ kind.says }}
                </button>
                <template v-if="findings && findings.loseNothing > 0">
                    <span class="text-faint text-small ml-auto"
                        >{{ count(findings.loseNothingFiles, 'file') }} in
                        {{ count(findings.loseNothing, 'repair') }}</span
                    >
                    <button
                        type="button"
                        class="press press-main"
                        :disabled="fixes.isBusy.value"
                        data-test="fix-all"
                        @click="fixes.applyAll()"
                    >
                        Apply {{ count(findings.loseNothing, 'fix', 'fixes') }} that
                        {{ findings.loseNothing === 1 ? 'loses' : 'lose' }} nothing
                    </button>
                </template>
            </template>
        </div>
        <div class="border-line min-h-0 grow border-t">
            <TrialView v-if="look === 'trial'" :id="id" />
            <StateNote
                v-else-if="isPending || (error && !findings)"
                :is-loading="isPending"
                :problem="error"
                @again="refetch"
            />
            <StateNote
                v-else-if="rows.length === 0"
                :title="
                    place || severity || code || path
                        ? 'Nothing found here'
                        : summary?.inTray
                          ? 'Nothing found in what is placed'
                          : 'Nothing found'
                "
            >
                <template v-if="place || severity || code || path">Another place or severity may have some.</template>
                <template v-else-if="summary?.inTray"
                    >{{ count(summary.inTray, 'file') }} {{ summary.inTray === 1 ? 'waits' : 'wait' }} in the tray and
                    {{ summary.inTray === 1 ? 'is' : 'are' }} not judged before
                    {{ summary.inTray === 1 ? 'it has its place' : 'they have their places' }}.
                    <router-link class="word" :to="{ name: 'gather', params: { id } }"
                        >Place them</router-link
                    ></template
                >
                <template v-else
                    >{{ summary?.hostTitle }} would show every file as you made it. Try it in
                    <button type="button" class="word" @click="look = 'trial'">the trial</button>, then build it in
                    Release.</template
                >
            </StateNote>
            <LedgerList
                v-else
                :lines="shownLines"
                label="Findings"
                :name="listName"
                :selection="selection"
                @open="open"
                @key="onKey"
            >
                <template #default="{ row }">
                    <div
                        class="grid grid-cols-[64px_minmax(0,1fr)_minmax(360px,56%)] items-center gap-x-5 py-2 pr-6 pl-5"
                        :class="'max-[700px]:grid-cols-[64px_minmax(0,1fr)] max-[700px]:gap-y-2 max-[700px]:pr-4'"
                    >
                        <RowSheet
                            :pack="id"
                            :summary="summary!"
                            :row="row"
                            :is-swapped="swapped === row.path"
                            @open="open(row)"
                        />
                        <RowName :row="row" @open="open(row)" />
                        <div class="flex flex-col gap-2 max-[700px]:col-span-2">
                            <FindingNote
                                v-for="finding in row.findings"
                                :key="finding.name.code + finding.name.pointer + finding.name.discriminator"
                                :pack="id"
                                :finding="finding"
                            />
                        </div>
                    </div>
                </template>
            </LedgerList>
        </div>
        <SelectionBar v-if="look === 'findings'" :pack="id" :selection="selection" />
    </div>
</template>
