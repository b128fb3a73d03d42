<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, data, Problem, type TextReadingView } from '@/api/client'
import { useMessages } from '@/shared/composables/useMessages'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import StateNote from '@/shared/parts/StateNote.vue'
import { count } from '@/shared/words'
import { filters, select } from './filters'
import ReadingDialog from './ReadingDialog.vue'
import TextGrid from './TextGrid.vue'
import { useCells } from './useCells'

/** All texts over all languages. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const words = useQueryValue('words')
const which = useQueryValue('texts', filters[0]!.key)
const cells = useCells(() => props.id)
const {
    data: list,
    error,
    isPending,
    refetch,
} = useQuery({
    queryKey: ['pack', () => props.id, 'texts'],
    queryFn: () => data(api.GET('/api/packs/{id}/texts', { params: { path: { id: props.id } } })),
    placeholderData: (before) => before,
})
const shown = computed(() => (list.value ? select(list.value, which.value, words.value, cells.touched.value) : []))
// Another question is answered anew.
watch([which, words], () => cells.touched.value.clear())
const numbers = computed(() =>
    filters.map((filter) => ({ ...filter, number: list.value?.texts.filter(filter.holds).length ?? 0 })),
)

const { warn } = useMessages()
const chooser = useTemplateRef<HTMLInputElement>('chooser')
const reading = ref<{ name: string; result: TextReadingView } | null>(null)
const isReading = computed({ get: () => reading.value !== null, set: () => (reading.value = null) })
async function read(event: Event) {
    const input = event.target as HTMLInputElement
    const file = input.files?.[0]
    input.value = ''
    if (!file) return
    await cells.save()
    try {
        const result = await data(
            api.POST('/api/packs/{id}/texts/readings', {
                params: { path: { id: props.id } },
                body: file as never,
                bodySerializer: (body: unknown) => body as Blob,
                headers: { 'Content-Type': 'application/octet-stream' },
            }),
        )
        reading.value = { name: file.name, result }
    } catch (problem) {
        warn(problem instanceof Problem ? problem.message : `${file.name} cannot be read.`)
    }
}
const open = (path: string) => router.push({ name: 'define', params: { id: props.id }, query: { path } })
</script>

<template>
    <StateNote v-if="isPending || (error && !list)" :is-loading="isPending" :problem="error" @again="refetch" />
    <StateNote v-else-if="!list || list.languages.length === 0" title="No texts here">
        This host shows no texts of packs, or its base cannot be read.
    </StateNote>
    <div v-else class="flex h-full flex-col">
        <div class="border-line flex flex-wrap items-center gap-x-4 gap-y-2 border-b px-5 py-2.5">
            <input
                v-model="words"
                class="field max-w-[220px]"
                type="search"
                :placeholder="`Find in ${shown.length}`"
                aria-label="Find texts by key, owner or what they say"
            />
            <label class="flex items-center gap-2">
                <span class="sr-only">Which texts</span>
                <select v-model="which" class="field" data-test="which-texts">
                    <option v-for="filter in numbers" :key="filter.key" :value="filter.key">
                        {{ filter.title }} ({{ filter.number }})
                    </option>
                </select>
            </label>
            <span class="text-faint text-small" role="status" data-test="cells-state">{{ cells.state.value }}</span>
            <span class="ml-auto flex gap-3">
                <a
                    class="press"
                    :href="`/api/packs/${id}/texts/file${which === 'all' ? '?all=true' : ''}`"
                    download="texts.csv"
                    >Save as CSV</a
                >
                <button type="button" class="press" @click="chooser?.click()">Take in a CSV …</button>
                <input
                    ref="chooser"
                    type="file"
                    accept=".csv,.tsv,.txt"
                    class="hidden"
                    data-test="csv"
                    @change="read"
                />
            </span>
        </div>
        <StateNote v-if="shown.length === 0" title="None">
            {{
                words
                    ? 'No text says or is called that.'
                    : which === 'yours'
                      ? 'Your pack has no texts, and nothing in it wants any. ' +
                        'Choose “All, with the base’s” to change what the host says.'
                      : 'There is none of these.'
            }}
        </StateNote>
        <TextGrid v-else :texts="shown" :languages="list.languages" :cells="cells" @open="open" />
        <span class="sr-only" role="status">{{ count(shown.length, 'text') }}</span>
        <ReadingDialog v-if="reading" v-model="isReading" :pack="id" :reading="reading.result" :name="reading.name" />
    </div>
</template>
