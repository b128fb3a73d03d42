<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { baseUrl, fileUrl, type NamedPlace, type PackSummary, type TrayRow } from '@/api/client'
import TypedPath from './TypedPath.vue'

const props = defineProps<{
    pack: string
    summary: PackSummary
    row: TrayRow
    named: readonly NamedPlace[]
    /** Why it stayed when it was to be placed. */
    stayed?: string
    isBusy: boolean
}>()
const emit = defineEmits<{
    place: [target: string, insist: boolean]
    name: [place: string, noun: string]
    discard: []
}>()

const own = '…'
const naming = 'name:'
const chosen = ref('')
const typed = ref('')
const isRefused = ref(false)
// Where several are as likely, none is proposed.
watch(
    () => props.row,
    (row, before) => {
        if (row.path === before?.path && row.candidates.some((c) => c.target === chosen.value)) return
        if (row.path === before?.path && (chosen.value === own || chosen.value.startsWith(naming))) return
        chosen.value = row.hasFirst ? row.candidates[0]!.target : row.candidates.length === 0 ? own : ''
    },
    { immediate: true },
)
const candidate = computed(() => props.row.candidates.find((c) => c.target === chosen.value))
const namedPlace = computed(() => props.named.find((n) => chosen.value === naming + n.place))
const target = computed(() => (chosen.value === own ? typed.value.trim() : namedPlace.value ? '' : chosen.value))
const canPlace = computed(() =>
    namedPlace.value
        ? true
        : chosen.value === own
          ? typed.value.trim() !== '' && !isRefused.value
          : chosen.value !== '',
)
const name = computed(() => props.row.file.slice(props.row.file.lastIndexOf('/') + 1))
const folder = computed(() => props.row.file.slice(0, props.row.file.length - name.value.length))
/** What lies at the target already, base first. */
const there = computed(() => {
    const c = candidate.value
    if (!c || !props.row.isPicture) return []
    const { host, edition } = props.summary
    return [
        c.baseHash ? { of: 'base', url: baseUrl(host, edition, c.target, c.baseHash) } : null,
        c.yoursHash ? { of: 'yours', url: fileUrl(props.pack, c.target, c.yoursHash) } : null,
    ].filter((side) => side !== null)
})

function press(insist = false) {
    if (namedPlace.value) emit('name', namedPlace.value.place, namedPlace.value.noun)
    else if (canPlace.value) emit('place', target.value, insist)
}
</script>

<template>
    <div
        class="border-line grid grid-cols-[46px_minmax(0,1fr)_16px_minmax(0,1.3fr)_minmax(0,1.2fr)_auto] items-center gap-x-3 border-t py-1.5 pr-6 pl-6"
        data-test="tray-row"
    >
        <img
            v-if="row.isPicture"
            :src="fileUrl(pack, row.path, row.hash)"
            alt=""
            class="pixels size-[46px] object-contain"
            loading="lazy"
        />
        <span
            v-else
            class="text-faint border-line flex size-[46px] items-center justify-center border font-mono text-small"
            >{ }</span
        >
        <p class="min-w-0" :title="row.file">
            <span class="block truncate font-semibold">{{ name }}</span>
            <span class="text-faint text-tiny block truncate">{{ folder }}</span>
        </p>
        <span aria-hidden="true">→</span>
        <div class="min-w-0">
            <label>
                <span class="sr-only">Place for {{ row.file }}</span>
                <select v-model="chosen" class="field text-small font-mono" data-test="target">
                    <option v-if="row.candidates.length > 0 && !row.hasFirst" value="" disabled>
                        choose one of {{ row.candidates.length }} …
                    </option>
                    <option v-for="c in row.candidates" :key="c.target" :value="c.target">
                        {{ c.target }}{{ c.isNew ? ' (new)' : c.yoursHash ? ' (yours is there)' : '' }}
                    </option>
                    <template v-if="row.isPicture">
                        <option v-for="n in named" :key="n.place" :value="naming + n.place">use as {{ n.noun }}</option>
                    </template>
                    <option :value="own">another path …</option>
                </select>
            </label>
            <TypedPath
                v-if="chosen === own"
                v-model="typed"
                v-model:is-refused="isRefused"
                :pack="pack"
                :file="row.file"
                @enter="press()"
            />
        </div>
        <div class="text-faint text-small flex min-w-0 items-center gap-2 leading-[18px]">
            <figure v-for="side in there" :key="side.of" class="shrink-0 text-center">
                <img :src="side.url" :alt="`${side.of}, now`" class="pixels size-7 object-contain" loading="lazy" />
                <figcaption class="text-tiny leading-3">{{ side.of }}</figcaption>
            </figure>
            <p class="min-w-0">
                <template v-if="stayed"
                    ><span class="text-madder" aria-hidden="true">▼ </span>It stays: {{ stayed }}</template
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
                <template v-else-if="chosen === ''">Several are as likely; choose one.</template>
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
