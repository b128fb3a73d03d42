<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { NamedPlace, PackSummary, TrayRow } from '@/api/client'
import { bytes, pixels } from '@/shared/words'
import TrayPreview from './TrayPreview.vue'
import TypedPath from './TypedPath.vue'
import { named, ownPath, type Choice, type TrayChoices } from './useTrayChoices'

const props = defineProps<{
    pack: string
    summary: PackSummary
    row: TrayRow
    choices: TrayChoices
    places: readonly NamedPlace[]
    /** Why it stayed when it was to be placed. */
    stayed?: string
    isBusy: boolean
}>()
const emit = defineEmits<{
    place: [target: string, insist: boolean]
    name: [place: string, noun: string]
    discard: []
    split: []
}>()

const choice = computed(() => props.choices.choiceOf(props.row))
const change = (part: Partial<Choice>) => props.choices.choose(props.row, { ...choice.value, ...part })
const chosen = computed({ get: () => choice.value.value, set: (value) => change({ value }) })
const typed = computed({ get: () => choice.value.typed, set: (now) => change({ typed: now }) })
const isRefused = computed({ get: () => choice.value.isRefused, set: (now) => change({ isRefused: now }) })
const candidate = computed(() => props.choices.candidateOf(props.row))
const namedPlace = computed(() => props.places.find((n) => chosen.value === named + n.place))
const target = computed(() => props.choices.targetOf(props.row))
const canPlace = computed(() => namedPlace.value !== undefined || target.value !== '')
const name = computed(() => props.row.file.slice(props.row.file.lastIndexOf('/') + 1))
const folder = computed(() => props.row.file.slice(0, props.row.file.length - name.value.length))
// Of very many that nothing tells apart some are listed.
const unlisted = computed(() => {
    const { candidates, likely } = props.row
    return Math.max(0, likely - candidates.filter((c) => c.confidence === candidates[0]?.confidence).length)
})
const twin = computed(() => props.choices.twinOf(props.row))
// What opens has the focus. By keys the options are gone through one by one, and the field comes next anyway.
const box = ref<HTMLElement>()
const isByPointer = ref(false)
async function typeIt() {
    if (chosen.value !== ownPath || !isByPointer.value) return
    await nextTick()
    box.value?.querySelector<HTMLElement>('[data-test="typed-path"]')?.focus()
}

function press(insist = false) {
    if (namedPlace.value) emit('name', namedPlace.value.place, namedPlace.value.noun)
    else if (canPlace.value) emit('place', target.value, insist)
}
</script>

<template>
    <div
        ref="box"
        class="border-line grid items-center gap-x-3 border-t py-1.5 pr-6 pl-6"
        :class="[
            'grid-cols-[148px_minmax(0,1fr)_16px_minmax(0,1.3fr)_minmax(0,1.2fr)_auto]',
            'max-[1100px]:grid-cols-[148px_minmax(0,1fr)_16px_minmax(0,1.3fr)_auto] max-[700px]:grid-cols-1',
            'max-[700px]:gap-y-2',
        ]"
        data-test="tray-row"
    >
        <TrayPreview :pack="pack" :summary="summary" :row="row" :candidate="candidate" />
        <p class="min-w-0" :title="row.file">
            <span class="block truncate font-semibold">{{ name }}</span>
            <span class="text-faint text-tiny block truncate"
                ><span class="font-mono">{{ pixels(row.size) || bytes(row.length) }}</span> {{ folder }}</span
            >
            <span v-if="twin" class="text-tiny block truncate" :title="twin">{{ twin }}</span>
        </p>
        <span aria-hidden="true" class="max-[700px]:hidden">→</span>
        <div class="min-w-0">
            <label>
                <span class="sr-only">Place for {{ row.file }}</span>
                <select
                    v-model="chosen"
                    class="field text-small font-mono"
                    data-test="target"
                    @pointerdown="isByPointer = true"
                    @keydown="isByPointer = false"
                    @change="typeIt"
                >
                    <option v-if="row.candidates.length > 0 && !row.hasFirst" value="" disabled>
                        {{
                            row.candidates.length > 1
                                ? `choose one of ${row.candidates.length + unlisted} …`
                                : 'choose …'
                        }}
                    </option>
                    <option v-if="row.candidates.length === 0 && row.isFlawed" value="" disabled>nowhere</option>
                    <option v-for="c in row.candidates" :key="c.target" :value="c.target">
                        {{ c.target }}{{ c.isNew ? ' (new)' : c.yoursHash ? ' (yours is there)' : '' }}
                    </option>
                    <option v-if="unlisted > 0" disabled>and {{ unlisted }} more: type the path</option>
                    <template v-if="row.isPicture && row.size">
                        <option v-for="n in places" :key="n.place" :value="named + n.place">use as {{ n.noun }}</option>
                    </template>
                    <option :value="ownPath">another path …</option>
                </select>
            </label>
            <TypedPath
                v-if="chosen === ownPath"
                v-model="typed"
                v-model:is-refused="isRefused"
                :pack="pack"
                :file="row.file"
                @enter="press()"
            />
        </div>
        <div
            class="text-faint text-small min-w-0 leading-[16px]"
            :class="[
                'max-[1100px]:col-span-4 max-[1100px]:col-start-1 max-[1100px]:row-start-2 max-[700px]:col-span-1',
                'max-[700px]:row-start-auto',
            ]"
        >
            <p class="min-w-0">
                <template v-if="stayed"
                    ><span class="text-madder" aria-hidden="true">▼ </span>It stays: {{ stayed }}</template
                >
                <template v-else-if="row.isFlawed"
                    ><span class="text-madder" aria-hidden="true">▼ </span>{{ row.hint }}.</template
                >
                <template v-else-if="candidate">
                    <span v-if="candidate.doubt" class="text-ink block"
                        ><span class="text-madder" aria-hidden="true">▼ </span>{{ candidate.doubt }}.</span
                    >
                    <meter
                        v-else
                        class="mr-1 h-2 w-12 align-middle"
                        :value="candidate.confidence"
                        :aria-label="`${Math.round(candidate.confidence * 100)} in 100 likely`"
                    ></meter>
                    {{ candidate.reason }}
                </template>
                <template v-else-if="namedPlace">It is fitted to the size of a {{ namedPlace.noun }}.</template>
                <template v-else-if="row.candidates.length === 0"
                    >{{ row.hint ?? 'Nothing in the host looks like it' }}.</template
                >
                <template v-else-if="chosen === ''">{{
                    row.candidates.length > 1
                        ? row.likely > 1
                            ? 'Several are as likely; choose one.'
                            : 'Nothing speaks clearly for one of them; choose.'
                        : 'It may belong there; nothing speaks for it.'
                }}</template>
            </p>
        </div>
        <span class="flex items-center gap-3">
            <button
                v-if="stayed"
                type="button"
                class="word text-small"
                :disabled="!canPlace || isBusy"
                :aria-label="`Place ${name} all the same`"
                @click="press(true)"
            >
                All the same
            </button>
            <button
                type="button"
                class="press"
                :disabled="!canPlace || isBusy"
                :aria-label="`${candidate?.yoursHash ? 'Replace by' : 'Place'} ${name}`"
                data-test="place"
                @click="press()"
            >
                {{ namedPlace ? 'Use' : candidate?.yoursHash ? 'Replace' : 'Place' }}
            </button>
            <button
                v-if="row.isSound && !row.isFlawed"
                type="button"
                class="word text-small"
                :disabled="isBusy"
                :aria-label="`Split ${name}`"
                data-test="open-split"
                @click="$emit('split')"
            >
                Split …
            </button>
            <button
                type="button"
                class="word text-small"
                :disabled="isBusy"
                :aria-label="`Throw ${name} away`"
                @click="$emit('discard')"
            >
                Throw away
            </button>
        </span>
    </div>
</template>
