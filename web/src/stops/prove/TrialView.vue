<script setup lang="ts">
import { computed } from 'vue'
import { api, baseUrl, data, fileUrl } from '@/api/client'
import { useLatestJob } from '@/shared/composables/useJob'
import { useChange, usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import JobLine from '@/shared/parts/JobLine.vue'
import PathCaption from '@/shared/parts/PathCaption.vue'
import StateNote from '@/shared/parts/StateNote.vue'
import { count, moment } from '@/shared/words'
import { readTrial, type Shown } from './trial'

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
const shown = computed(() =>
    (trial.value?.shown ?? []).filter((item) =>
        only.value === 'wrong' ? item.as !== 'right' : only.value === 'all' || item.from !== 'base',
    ),
)
const wrong = computed(() => trial.value?.shown.filter((item) => item.as !== 'right').length ?? 0)

async function run() {
    await change.run(() => data(api.POST('/api/packs/{id}/trials', { params: { path: { id: props.id } } })))
    await refetch()
}

function picture(item: Shown): string | null {
    if (!/\.(png|dds)$/.test(item.path) || !summary.value) return null
    return item.from === 'base'
        ? baseUrl(summary.value.host, summary.value.edition, item.path)
        : fileUrl(props.id, item.path)
}
</script>

<template>
    <div class="flex h-full min-h-0">
        <div class="min-w-0 grow overflow-y-auto px-6 py-4">
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
                    <strong v-if="trial.packages.every((p) => p.listed) && wrong === 0 && trial.dropped.length === 0"
                        >Everything is right.</strong
                    >
                    <strong v-else>
                        <template v-for="p in trial.packages.filter((x) => !x.listed)" :key="p.file"
                            >The package is not listed: {{ p.reason }}.
                        </template>
                        {{ count(wrong, 'file is', 'files are') }} not right, {{ trial.dropped.length }} dropped.
                    </strong>
                    {{ trial.shown.length - wrong }} right.
                </p>
                <fieldset class="text-small mt-2 flex gap-5">
                    <legend class="sr-only">Which pictures</legend>
                    <label
                        v-for="[key, word] in [
                            ['pack', 'From your pack'],
                            ['wrong', 'Not right'],
                            ['all', 'Everything that the host shows'],
                        ]"
                        :key="key"
                        class="flex items-center gap-1.5"
                    >
                        <input v-model="only" type="radio" name="only" :value="key" />{{ word }}
                    </label>
                </fieldset>
                <ul v-if="trial.dropped.length > 0" class="mt-3">
                    <li v-for="item in trial.dropped" :key="item.path + item.code" class="text-small">
                        <span class="text-madder font-bold" aria-hidden="true">▼ </span>dropped, {{ item.code }}:
                        <span class="font-mono">{{ item.path }}</span>
                    </li>
                </ul>
                <ul
                    class="mt-4 grid grid-cols-[repeat(auto-fill,minmax(132px,1fr))] gap-4"
                    aria-label="What the host shows"
                >
                    <li v-for="item in shown" :key="item.path" class="min-w-0">
                        <span
                            class="bg-paper flex h-[112px] items-center justify-center border"
                            :class="item.as === 'right' ? 'border-line' : 'border-madder border-2'"
                        >
                            <img
                                v-if="picture(item)"
                                :src="picture(item)!"
                                alt=""
                                class="pixels max-h-[96px] max-w-[112px] min-h-[56px] object-contain"
                                loading="lazy"
                            />
                            <span v-else class="text-faint font-mono">{ }</span>
                        </span>
                        <PathCaption class="mt-1" :path="item.path" />
                        <p v-if="trial.standsFor[item.path]" class="text-tiny font-semibold">
                            {{ trial.standsFor[item.path] }}
                        </p>
                        <p class="text-tiny" :class="item.as === 'right' ? 'text-faint' : 'font-bold'">
                            <span v-if="item.as !== 'right'" class="text-madder" aria-hidden="true">▼ </span>{{ item.as
                            }}{{ item.also.length > 0 ? `, ${item.also.join(', ')}` : '' }} ·
                            {{ item.from === 'base' ? 'base' : 'yours' }}
                        </p>
                    </li>
                </ul>
                <p v-if="shown.length === 0" class="text-faint mt-4">None.</p>
            </template>
        </div>
        <aside
            v-if="trial"
            class="border-line w-[320px] shrink-0 overflow-y-auto border-l px-5 py-4 max-[1000px]:w-[240px]"
        >
            <h2 class="font-bold">Log of the host</h2>
            <p v-if="trial.log.length === 0" class="text-faint text-small mt-1">The host wrote nothing.</p>
            <ol class="text-tiny mt-2 flex flex-col gap-1 font-mono">
                <li v-for="(line, index) in trial.log" :key="index" class="break-words">
                    <span class="text-faint">{{ line.level }}</span> {{ line.path }} {{ line.message }}
                </li>
            </ol>
        </aside>
    </div>
</template>
