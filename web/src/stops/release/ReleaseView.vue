<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, data } from '@/api/client'
import { useKept } from '@/shared/composables/useKept'
import { useLatestJob } from '@/shared/composables/useJob'
import { useChange, usePack } from '@/shared/composables/usePack'
import JobLine from '@/shared/parts/JobLine.vue'
import StateNote from '@/shared/parts/StateNote.vue'
import { count } from '@/shared/words'
import ChangesSheet from './ChangesSheet.vue'
import PackageTree from './PackageTree.vue'
import ReleaseList from './ReleaseList.vue'

const props = defineProps<{ id: string }>()
const { data: pack } = usePack(() => props.id)
const {
    data: draft,
    error,
    isPending,
    refetch,
} = useQuery({
    queryKey: ['pack', () => props.id, 'draft'],
    queryFn: () => data(api.GET('/api/packs/{id}/draft', { params: { path: { id: props.id } } })),
    placeholderData: (before) => before,
})
const { data: releases } = useQuery({
    queryKey: ['releases', () => props.id],
    queryFn: () => data(api.GET('/api/packs/{id}/releases', { params: { path: { id: props.id } } })),
})
const { data: job, refetch: lookAtJob } = useLatestJob(() => props.id, 'build')
const change = useChange(() => props.id)

// What the author typed stays, over reloads too; what was only suggested follows the pack.
const typedVersion = useKept(() => `version:${props.id}`)
const typedNotes = useKept(() => `notes:${props.id}`)
const version = computed({
    get: () => typedVersion.value ?? draft.value?.suggested ?? '',
    set: (now) => (typedVersion.value = now),
})
const notes = computed({
    get: () => typedNotes.value ?? draft.value?.notes ?? '',
    set: (now) => (typedNotes.value = now),
})
const allowBlockers = ref(false)
watch(
    () => job.value?.state,
    (state, before) => {
        if (state === 'done' && before && before !== 'done') {
            void refetch()
        }
    },
)
// What was typed has gone into a release.
watch(releases, (now) => {
    if (now?.some((r) => r.version === version.value.trim() && r.notes === notes.value))
        typedVersion.value = typedNotes.value = null
})
const isUnderWay = computed(() => job.value?.state === 'queued' || job.value?.state === 'running')
/** Some hosts count whole versions, the others three numbers. */
const form = computed(() =>
    /^\d+$/.test(draft.value?.suggested ?? '')
        ? { pattern: '[1-9]\\d*', says: 'A whole number, such as 2' }
        : { pattern: '\\d+\\.\\d+\\.\\d+', says: 'Three numbers, such as 1.2.0' },
)
const isTaken = computed(() => releases.value?.some((r) => r.version === version.value.trim()) ?? false)
/** The suggestion may be older than a release that was just built. */
const isFree = computed(() => !(releases.value?.some((r) => r.version === draft.value?.suggested) ?? false))

async function build() {
    await change.run(() =>
        data(
            api.POST('/api/packs/{id}/releases', {
                params: { path: { id: props.id } },
                body: { version: version.value.trim(), notes: notes.value, allowBlockers: allowBlockers.value },
            }),
        ),
    )
    await lookAtJob()
}
</script>

<template>
    <StateNote v-if="isPending || (error && !draft)" :is-loading="isPending" :problem="error" @again="refetch" />
    <div
        v-else-if="draft"
        class="grid h-full grid-cols-[300px_minmax(0,1fr)_360px]"
        :class="[
            'max-[1000px]:grid-cols-[210px_minmax(0,1fr)_280px] max-[700px]:flex max-[700px]:flex-col',
            'max-[700px]:overflow-y-auto',
        ]"
    >
        <ReleaseList
            :pack="id"
            :releases="releases ?? []"
            class="border-line overflow-y-auto border-r"
            :class="'max-[700px]:shrink-0 max-[700px]:overflow-visible max-[700px]:border-r-0 max-[700px]:border-b'"
        />
        <ChangesSheet
            :pack="id"
            :draft="draft"
            :host="pack?.summary.hostTitle ?? ''"
            :section="pack?.summary.section ?? []"
            class="overflow-y-auto max-[700px]:order-last max-[700px]:shrink-0 max-[700px]:overflow-visible"
            tabindex="0"
        />
        <aside
            class="border-line flex min-h-0 flex-col gap-4 overflow-y-auto border-l px-5 py-4"
            :class="'max-[700px]:shrink-0 max-[700px]:overflow-visible max-[700px]:border-l-0 max-[700px]:border-b'"
            aria-label="Build"
        >
            <form class="flex flex-col gap-3" @submit.prevent="build">
                <h2 class="text-large font-bold">Build a release</h2>
                <label>
                    <span class="font-semibold">Version</span>
                    <input
                        v-model="version"
                        class="field mt-1 font-mono"
                        required
                        :pattern="form.pattern"
                        :title="form.says"
                        aria-describedby="version-help"
                    />
                    <span id="version-help" class="text-faint text-small">
                        {{
                            isTaken
                                ? `${version} is released, and a release is not changed${isFree ? `; ${draft.suggested} is free` : ''}.`
                                : version === draft.suggested
                                  ? `Suggested: ${draft.why}.`
                                  : `Suggested: ${draft.suggested}, because ${draft.why}.`
                        }}
                    </span>
                </label>
                <label>
                    <span class="font-semibold">Notes</span>
                    <textarea v-model="notes" class="field mt-1" rows="4" maxlength="4000"></textarea>
                </label>
                <label v-if="draft.blockers > 0" class="text-small flex items-start gap-2">
                    <input v-model="allowBlockers" type="checkbox" class="mt-1" />
                    <span
                        >Build with {{ count(draft.blockers, 'blocker') }}: the host would show or drop things otherwise
                        than you made them.
                        <router-link class="word" :to="{ name: 'prove', params: { id } }"
                            >Mend them in Prove</router-link
                        ></span
                    >
                </label>
                <div class="flex flex-wrap items-center gap-3">
                    <button
                        type="submit"
                        class="press press-main"
                        :disabled="
                            isUnderWay || change.isBusy.value || isTaken || (draft.blockers > 0 && !allowBlockers)
                        "
                        data-test="build"
                    >
                        Build
                    </button>
                    <JobLine v-if="job" :job="job" />
                </div>
            </form>
            <PackageTree :draft="draft" />
        </aside>
    </div>
</template>
