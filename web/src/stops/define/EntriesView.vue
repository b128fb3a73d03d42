<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, data, type EntryItem } from '@/api/client'
import { useKeys } from '@/shared/composables/useKeys'
import { useNarrowing } from '@/shared/composables/useNarrowing'
import { useFindings, usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import { useWayBack } from '@/shared/composables/useWayBack'
import { claim } from '@/shared/drafts'
import { worstOf } from '@/shared/ledger'
import GoneNote from '@/shared/parts/GoneNote.vue'
import StateNote from '@/shared/parts/StateNote.vue'
import EntryEditor from './EntryEditor.vue'
import EntryList from './EntryList.vue'
import NameDialog from './NameDialog.vue'
import { useEntries } from './useEntries'

const props = defineProps<{ id: string }>()
const back = useWayBack(() => props.id)
const { data: pack } = usePack(() => props.id)
const path = useQueryValue('path')
const { data: list, error, isPending, refetch } = useEntries(() => props.id)
const place = useQueryValue('place')
const { words, isFoundOnly, has } = useNarrowing()
const { data: findings } = useFindings(() => props.id)
const byPath = computed(() => Map.groupBy(findings.value?.rows ?? [], (finding) => finding.name.path.split('#')[0]!))
const foundAt = (at: string) => byPath.value.get(at) ?? []
const all = computed(() => list.value?.entries ?? [])
/** The chosen column's; all where it has none. */
const ofPlace = computed(() => all.value.filter((entry) => entry.place === place.value))
const placed = computed(() => (place.value && ofPlace.value.length > 0 ? ofPlace.value : all.value))
const entries = computed(() =>
    placed.value.filter((entry) => has(`${entry.title} ${entry.kindTitle} ${entry.path}`, foundAt(entry.path))),
)
const placeTitle = computed(() => pack.value?.summary.section.find((c) => c.place === place.value)?.title ?? '')
const shownPath = computed(() => path.value || (placed.value.find((e) => !e.isAccepted) ?? placed.value[0])?.path || '')
watch(path, (now) => now && claim(props.id, now), { immediate: true, flush: 'sync' })
const {
    data: entry,
    error: problem,
    refetch: again,
} = useQuery({
    queryKey: ['pack', () => props.id, 'entry', shownPath],
    queryFn: () =>
        data(
            api.GET('/api/packs/{id}/entry', { params: { path: { id: props.id }, query: { path: shownPath.value } } }),
        ),
    enabled: () => shownPath.value !== '',
})

function step(by: number) {
    const at = entries.value.findIndex((e) => e.path === shownPath.value)
    const next = entries.value[Math.max(0, Math.min(entries.value.length - 1, at + by))]
    if (next) path.value = next.path
}
const isMaking = ref(false)
/** What was made just now: its page has the focus when it comes. */
const made = ref('')
const editor = ref<{ focus: () => void } | null>(null)
function show(now: string) {
    made.value = now
    path.value = now
}
watch(
    editor,
    (now) => {
        if (!now || entry.value?.path !== made.value) return
        made.value = ''
        now.focus()
    },
    { flush: 'post' },
)
const choose = (item: EntryItem) => (path.value = item.path)

useKeys({
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    Escape: back,
})
</script>

<template>
    <StateNote v-if="isPending || (error && !list)" :is-loading="isPending" :problem="error" @again="refetch" />
    <StateNote v-else-if="!shownPath" title="No entries yet">
        Entries are the small JSON files by which the host knows what a picture is.
        <button type="button" class="word" @click="isMaking = true">Make one</button>, bring one from the base in
        <router-link class="word" :to="{ name: 'gather', params: { id } }">Gather</router-link>, or let a finding in
        <router-link class="word" :to="{ name: 'prove', params: { id } }">Prove</router-link> write one.
        <NameDialog v-if="isMaking" v-model="isMaking" :pack="id" how="another" @done="show" />
    </StateNote>
    <div v-else class="flex h-full max-[700px]:flex-col">
        <EntryList
            v-if="pack"
            v-model:words="words"
            v-model:is-found-only="isFoundOnly"
            :pack="id"
            :summary="pack.summary"
            :entries="entries"
            :path="shownPath"
            :number="placed.length"
            :worst="(at) => worstOf(foundAt(at))"
            :note="
                !place
                    ? ''
                    : ofPlace.length > 0
                      ? `${placeTitle} only`
                      : `Nothing to define in ${placeTitle}: all is shown`
            "
            @all="place = ''"
            @choose="choose"
            @make="isMaking = true"
        />
        <NameDialog v-if="isMaking" v-model="isMaking" :pack="id" how="another" @done="show" />
        <GoneNote
            v-if="problem && !entry && !all.some((one) => one.path === shownPath)"
            :path="shownPath"
            nouns="entries"
            @leave="path = ''"
        />
        <StateNote v-else-if="problem && !entry" class="grow" :problem="problem" @again="again" />
        <EntryEditor v-else-if="entry" ref="editor" :key="entry.path" :pack="id" :entry="entry" class="min-w-0 grow" />
    </div>
</template>
