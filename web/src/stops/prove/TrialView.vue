<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, data } from '@/api/client'
import { useLatestJob } from '@/shared/composables/useJob'
import { useChange, useFindings, useLedger, usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import { useScrollPlace } from '@/shared/composables/useScrollPlace'
import { join } from '@/shared/ledger'
import JobLine from '@/shared/parts/JobLine.vue'
import StateNote from '@/shared/parts/StateNote.vue'
import { count, moment } from '@/shared/words'
import { useRowOpening } from '../gather/useRowOpening'
import { fileOf, readTrial, wrongs } from './trial'
import TrialRight from './TrialRight.vue'
import TrialWrong from './TrialWrong.vue'

/** Loads the pack in the simulated host and shows what it would show. */
const props = defineProps<{ id: string }>()
const { data: pack } = usePack(() => props.id)
const { data: job, error, isPending, refetch } = useLatestJob(() => props.id, 'trial')
const change = useChange(() => props.id)
const only = useQueryValue('only', 'pack')

const summary = computed(() => pack.value?.summary)
const trial = computed(() => readTrial(job.value?.result))
const isUnderWay = computed(() => job.value?.state === 'queued' || job.value?.state === 'running')
const isOld = computed(
    () => trial.value !== null && pack.value !== undefined && trial.value.revision < pack.value.revision,
)
const { data: hosts } = useQuery({ queryKey: ['hosts'], queryFn: () => data(api.GET('/api/hosts')) })
const host = computed(() => hosts.value?.find((h) => h.key === summary.value?.host))
const wrong = computed(() => (trial.value && host.value ? wrongs(trial.value, host.value.title, host.value.words) : []))
const unlisted = computed(() => trial.value?.packages.filter((p) => !p.listed) ?? [])
const reasonOf = (code: string | null) => host.value?.words.reasons.find((word) => word.code === code)?.says ?? code
const right = computed(() => trial.value?.shown.filter((item) => item.as === 'right') ?? [])
const shown = computed(() => right.value.filter((item) => only.value === 'all' || item.from !== 'base'))
const box = ref<HTMLElement>()
useScrollPlace(`trial:${props.id}`, box)
/** So many are drawn at first. */
const most = ref(200)

const { data: ledger } = useLedger(() => props.id)
const { data: findings } = useFindings(() => props.id)
const rows = computed(
    () => new Map(join(ledger.value?.rows ?? [], findings.value?.rows ?? []).map((row) => [row.path, row])),
)
const open = useRowOpening(() => props.id)
/** The host shows as made what an editor or a recorder had lost before: that is not right for all that. */
const lossy = new Set(['image/alpha-lost', 'sound/clipped'])
const lost = computed(() =>
    [...rows.value.values()].filter((row) => row.findings.some((f) => lossy.has(f.name.code) && !f.waived)),
)

async function run() {
    await change.run(() => data(api.POST('/api/packs/{id}/trials', { params: { path: { id: props.id } } })))
    await refetch()
}
</script>

<template>
    <div class="flex h-full min-h-0 max-[700px]:flex-col">
        <div ref="box" class="min-w-0 grow overflow-y-auto px-6 py-4">
            <div class="flex flex-wrap items-center gap-4">
                <button
                    type="button"
                    class="press press-main"
                    :disabled="isUnderWay || change.isBusy.value"
                    data-test="run-trial"
                    @click="run"
                >
                    {{ trial ? 'Try again' : 'Try' }} in {{ summary?.editionTitle }}
                </button>
                <JobLine v-if="job" :job="job" />
                <span v-if="trial && !isUnderWay" class="text-small" :class="isOld ? 'font-semibold' : 'text-faint'">
                    {{ isOld ? 'The pack was changed since this trial.' : `Tried ${moment(job!.createdAt)}.` }}
                </span>
            </div>
            <StateNote v-if="isPending || error" :is-loading="isPending" :problem="error" @again="refetch" />
            <StateNote v-else-if="!trial && !isUnderWay" title="Not yet tried">
                The simulated host loads the pack just as it would be built, and shows each picture with the place it
                came from.
            </StateNote>
            <template v-else-if="trial">
                <p class="mt-4" data-test="trial-summary">
                    <strong v-if="unlisted.length === 0 && wrong.length === 0 && lost.length === 0"
                        >Everything is right.</strong
                    >
                    <strong v-else-if="unlisted.length === 0 && wrong.length === 0" data-test="lost">
                        {{ summary?.hostTitle }} shows all of it, but {{ count(lost.length, 'file') }} lost something
                        before:
                        <button
                            v-for="row in lost.slice(0, 6)"
                            :key="row.path"
                            type="button"
                            class="word mr-3 font-mono"
                            @click="open(row)"
                        >
                            {{ row.path }}
                        </button>
                        <template v-if="lost.length > 6">and {{ lost.length - 6 }} more.</template>
                    </strong>
                    <strong v-else>
                        <template v-for="p in unlisted" :key="p.file"
                            >{{ summary?.hostTitle }} does not list the package: {{ reasonOf(p.reason) }}.
                        </template>
                        <template v-if="wrong.length > 0"
                            >{{ count(wrong.length, 'file is', 'files are') }} not as you made
                            {{ wrong.length === 1 ? 'it' : 'them' }}.</template
                        >
                    </strong>
                    {{ right.length }} right.
                </p>
                <ul
                    v-if="wrong.length > 0"
                    class="mt-3 grid grid-cols-[repeat(auto-fill,minmax(min(480px,100%),1fr))] gap-x-8"
                    aria-label="What is not right"
                >
                    <TrialWrong
                        v-for="item in wrong.slice(0, most)"
                        :key="item.path"
                        :pack="id"
                        :summary="summary!"
                        :item="item"
                        :row="rows.get(fileOf(item.path))"
                        @open="open(rows.get(fileOf(item.path))!)"
                    />
                </ul>
                <fieldset class="mt-4 flex flex-wrap items-baseline gap-x-5">
                    <legend class="float-left mr-5 font-bold">What is right</legend>
                    <label
                        v-for="[key, word] in [
                            ['pack', 'From your pack'],
                            ['all', 'Everything that the host shows'],
                        ]"
                        :key="key"
                        class="text-small flex items-center gap-1.5"
                    >
                        <input v-model="only" type="radio" name="only" :value="key" />{{ word }}
                    </label>
                </fieldset>
                <TrialRight
                    :pack="id"
                    :summary="summary!"
                    :shown="shown.slice(0, most)"
                    :rows="rows"
                    :stands-for="trial.standsFor"
                />
                <p v-if="Math.max(shown.length, wrong.length) > most" class="mt-4">
                    <button type="button" class="word" @click="most += 800">Show more</button>
                </p>
            </template>
        </div>
        <aside
            v-if="trial && trial.log.length > 0"
            class="border-line w-[320px] shrink-0 overflow-y-auto border-l px-5 py-4"
            :class="[
                'max-[1000px]:w-[240px] max-[700px]:max-h-40 max-[700px]:w-full max-[700px]:border-t',
                'max-[700px]:border-l-0',
            ]"
        >
            <h2 class="font-bold">Log of the host</h2>
            <ol class="text-tiny mt-2 flex flex-col gap-1 font-mono">
                <li v-for="(line, index) in trial.log" :key="index" class="break-words">
                    <span class="text-faint">{{ line.level }}</span> {{ line.path }} {{ line.message }}
                </li>
            </ol>
        </aside>
    </div>
</template>
