<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import EntriesView from './EntriesView.vue'

/** What a pack defines, seen as single entries or as a whole. */
const props = defineProps<{ id: string }>()
const view = useQueryValue('view', 'entries')
const { data: pack } = usePack(() => props.id)
const EconomyView = defineAsyncComponent(() => import('./economy/EconomyView.vue'))
const TextsView = defineAsyncComponent(() => import('./texts/TextsView.vue'))
const views = [
    { key: 'entries', title: 'Entries' },
    { key: 'texts', title: 'Texts' },
    { key: 'economy', title: 'Economy' },
]
</script>

<template>
    <div class="flex h-full flex-col">
        <div v-if="pack" class="border-line flex gap-5 border-b px-6" role="tablist" aria-label="What is shown">
            <button
                v-for="one in views"
                :key="one.key"
                type="button"
                role="tab"
                class="text-small -mb-px border-b-2 py-1.5"
                :class="view === one.key ? 'border-ink font-bold' : 'text-faint border-transparent hover:underline'"
                :aria-selected="view === one.key"
                @click="view = one.key"
            >
                {{ one.title }}
            </button>
        </div>
        <div class="min-h-0 grow">
            <TextsView v-if="view === 'texts'" :id="id" />
            <EconomyView v-else-if="view === 'economy'" :id="id" />
            <EntriesView v-else :id="id" />
        </div>
    </div>
</template>
