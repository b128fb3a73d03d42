<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { api, data, type EntryItem } from '@/api/client'
import { useKeys } from '@/shared/composables/useKeys'
import { usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import StateNote from '@/shared/parts/StateNote.vue'
import EntryEditor from './EntryEditor.vue'
import EntryList from './EntryList.vue'

const props = defineProps<{ id: string }>()
const router = useRouter()
const { data: pack } = usePack(() => props.id)
const path = useQueryValue('path')
const {
    data: list,
    error,
    isPending,
    refetch,
} = useQuery({
    queryKey: ['pack', () => props.id, 'entries'],
    queryFn: () => data(api.GET('/api/packs/{id}/entries', { params: { path: { id: props.id } } })),
    placeholderData: (before) => before,
})
const entries = computed(() => list.value?.entries ?? [])
const shownPath = computed(
    () => path.value || (entries.value.find((e) => !e.isAccepted) ?? entries.value[0])?.path || '',
)
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
const choose = (item: EntryItem) => (path.value = item.path)

useKeys({
    j: () => step(1),
    k: () => step(-1),
    Escape: () => void router.push({ name: 'gather', params: { id: props.id } }),
})
</script>

<template>
    <StateNote v-if="isPending || (error && !list)" :is-loading="isPending" :problem="error" @again="refetch" />
    <StateNote v-else-if="!shownPath" title="No entries yet">
        Entries are the small JSON files by which the host knows what a picture is. Bring one from the base in
        <router-link class="word" :to="{ name: 'gather', params: { id } }">Gather</router-link>, or let a finding in
        <router-link class="word" :to="{ name: 'prove', params: { id } }">Prove</router-link> write one.
    </StateNote>
    <div v-else class="flex h-full">
        <EntryList
            v-if="pack"
            :pack="id"
            :summary="pack.summary"
            :entries="entries"
            :path="shownPath"
            @choose="choose"
        />
        <StateNote v-if="problem" class="grow" :problem="problem" @again="again" />
        <EntryEditor v-else-if="entry" :key="entry.path" :pack="id" :entry="entry" class="min-w-0 grow" />
    </div>
</template>
