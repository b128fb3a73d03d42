<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, useId, watch } from 'vue'
import { api, data, type EntryView } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'
import { compared, ratios } from './compare'
import { fieldWords, shortly } from './differences'
import { parsed } from './schema'
import { useEntries } from './useEntries'

/**
 * An entry beside another of its kind, of the pack or the base: in what they differ, and what may be taken from it, with the
 * pictures that it wants. What is typed is saved before.
 */
const props = defineProps<{ pack: string; entry: EntryView; value: unknown; save: () => Promise<unknown> }>()
const change = useChange(() => props.pack)
const id = useId()
const { data: list } = useEntries(() => props.pack)
const mine = computed(() =>
    (list.value?.entries ?? []).filter(
        ({ kindTitle, path, isAccepted }) =>
            isAccepted && kindTitle === props.entry.kindTitle && path !== props.entry.path,
    ),
)
const base = computed(() => props.entry.siblings.filter(({ path }) => mine.value.every((one) => one.path !== path)))
const chosen = ref('')
const ofBase = computed(() => base.value.find(({ path }) => path === chosen.value))
const { data: own } = useQuery({
    queryKey: ['pack', () => props.pack, 'entry', chosen],
    queryFn: () =>
        data(api.GET('/api/packs/{id}/entry', { params: { path: { id: props.pack }, query: { path: chosen.value } } })),
    enabled: () => chosen.value !== '' && !ofBase.value,
})
const other = computed(() => ofBase.value?.value ?? (chosen.value && own.value ? parsed(own.value.text) : null))
const rows = computed(() =>
    other.value === null ? [] : compared(props.entry.schema, other.value, props.value, props.entry.own),
)
const quotients = computed(() => (other.value === null ? [] : ratios(props.entry.schema, other.value, props.value)))
const ticked = ref<string[]>([])
const picked = computed(() => rows.value.map(({ pointer }) => pointer).filter((one) => ticked.value.includes(one)))
watch(chosen, () => (ticked.value = []))

async function take(pointers: string[], what: string) {
    await props.save()
    const made = await change.run(
        () =>
            data(
                api.POST('/api/packs/{id}/entry/copied-fields', {
                    params: { path: { id: props.pack } },
                    body: { path: props.entry.path, from: chosen.value, pointers },
                }),
            ),
        ({ files }) =>
            `${what} taken${files.length > 0 ? `, and with it, to be replaced by your own: ${files.join(', ')}` : ''}.`,
    )
    if (made) ticked.value = []
}
const wordsOf = ({ title, pointer }: { title: string; pointer: string }) => title.toLowerCase() || fieldWords(pointer)
const short = (number: number | null) => (number === null ? 'none' : String(Number(number.toPrecision(3))))
</script>

<template>
    <section v-if="mine.length + base.length > 0" class="mt-5" data-test="compare-with">
        <label :for="id" class="font-bold">Compare it with</label>
        <select :id="id" v-model="chosen" class="field mt-1">
            <option value="">nothing</option>
            <optgroup v-if="mine.length > 0" label="Yours">
                <option v-for="one in mine" :key="one.path" :value="one.path">{{ one.title }}</option>
            </optgroup>
            <optgroup v-if="base.length > 0" label="The base’s">
                <option v-for="one in base" :key="one.path" :value="one.path">{{ one.title }}</option>
            </optgroup>
        </select>
        <template v-if="other !== null">
            <p v-if="rows.length === 0" class="text-faint text-small mt-2">They do not differ.</p>
            <ul v-else class="mt-2">
                <li v-for="one in rows" :key="one.pointer" class="border-line text-small flex gap-2 border-t py-1">
                    <input
                        v-model="ticked"
                        type="checkbox"
                        class="mt-1 size-4 shrink-0 accent-(--ink)"
                        :value="one.pointer"
                        :aria-label="`Choose ${wordsOf(one)}`"
                    />
                    <span class="min-w-0 grow break-words">
                        {{ wordsOf(one) }}
                        {{ shortly(one.was) }}, here {{ shortly(one.now)
                        }}{{ one.unit && typeof one.now === 'number' ? ` ${one.unit}` : '' }}
                        <span v-if="one.is" class="text-faint">{{ one.is }}</span>
                    </span>
                    <button
                        type="button"
                        class="word shrink-0"
                        :aria-label="`Take ${wordsOf(one)} from it`"
                        :disabled="change.isBusy.value"
                        @click="take([one.pointer], `${one.title || wordsOf(one)} is`)"
                    >
                        Take
                    </button>
                </li>
                <li v-for="one in quotients" :key="one.title" class="border-line text-small border-t py-1">
                    {{ one.title.toLowerCase() }} {{ short(one.theirs) }}, here {{ short(one.yours) }}
                </li>
            </ul>
            <button
                v-if="picked.length > 0"
                type="button"
                class="press mt-2"
                :disabled="change.isBusy.value"
                data-test="take-chosen"
                @click="take(picked, picked.length === 1 ? 'One value is' : `${picked.length} values are`)"
            >
                {{ picked.length === 1 ? 'Take the chosen one' : `Take the ${picked.length} chosen` }}
            </button>
        </template>
    </section>
</template>
