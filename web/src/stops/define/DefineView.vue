<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import EntriesView from './EntriesView.vue'
import { useEntries } from './useEntries'

/** What a pack defines, seen as single entries or as a whole. */
const props = defineProps<{ id: string }>()
const view = useQueryValue('view', 'entries')
const { data: list } = useEntries(() => props.id)
const EconomyView = defineAsyncComponent(() => import('./economy/EconomyView.vue'))
const ScriptView = defineAsyncComponent(() => import('./script/ScriptView.vue'))
const TextsView = defineAsyncComponent(() => import('./texts/TextsView.vue'))
/** What the host has; entries alone need no choice. */
const views = computed(() => [
    { key: 'entries', title: 'Entries' },
    ...(list.value?.hasTexts ? [{ key: 'texts', title: 'Texts' }] : []),
    ...(list.value?.hasRecipes ? [{ key: 'economy', title: 'Economy' }] : []),
    ...(list.value?.hasScript ? [{ key: 'script', title: 'Script' }] : []),
])
/** The arrows go from view to view, as in every list of tabs. */
function walk(event: KeyboardEvent, by: number) {
    const now = views.value.findIndex((one) => one.key === view.value)
    const next = Math.max(0, Math.min(views.value.length - 1, now + by))
    view.value = views.value[next]!.key
    ;(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('[role="tab"]')[next]?.focus()
}
</script>

<template>
    <div class="flex h-full flex-col">
        <div
            v-if="views.length > 1"
            class="border-line flex gap-5 border-b px-6"
            role="tablist"
            aria-label="What is shown"
            @keydown.left.prevent="walk($event, -1)"
            @keydown.right.prevent="walk($event, 1)"
        >
            <button
                v-for="one in views"
                :key="one.key"
                type="button"
                role="tab"
                class="text-small -mb-px border-b-2 py-1.5"
                :class="view === one.key ? 'border-ink font-bold' : 'text-faint border-transparent hover:underline'"
                :aria-selected="view === one.key"
                :tabindex="view === one.key ? 0 : -1"
                @click="view = one.key"
            >
                {{ one.title }}
            </button>
        </div>
        <div class="min-h-0 grow">
            <TextsView v-if="view === 'texts'" :id="id" />
            <EconomyView v-else-if="view === 'economy'" :id="id" />
            <ScriptView v-else-if="view === 'script'" :id="id" />
            <EntriesView v-else :id="id" />
        </div>
    </div>
</template>
