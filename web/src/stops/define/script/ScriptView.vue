<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { pictureUrl, type ScriptLineView } from '@/api/client'
import { useListening } from '@/shared/composables/useListening'
import { usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import StateNote from '@/shared/parts/StateNote.vue'
import { count } from '@/shared/words'
import RecordDialog from '@/shared/parts/RecordDialog.vue'
import { useScript } from './useScript'

/** The script of signals: what is to be recorded, read from and recorded into, required first. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const {
    data: script,
    error,
    isPending,
    refetch,
    isBusy,
    noteOf,
    type,
    note,
    take,
    letPlay,
    read,
} = useScript(() => props.id)
const { data: detail } = usePack(() => props.id)
const which = useQueryValue('script', 'all')
/** A line is done when its entry plays a sound of the pack. */
const isMissing = (line: ScriptLineView) => line.state !== 'yours'
const lines = computed(() => script.value?.lines ?? [])
const shown = computed(() => lines.value.filter((line) => which.value !== 'left' || isMissing(line)))
const left = computed(() => lines.value.filter(isMissing).length)
const states: Record<ScriptLineView['state'], string> = {
    missing: 'to be recorded',
    'of-base': 'the base’s',
    unplayed: 'there, but nothing plays it yet',
    yours: 'recorded',
}

const { playing, play } = useListening()
const hear = (line: ScriptLineView) =>
    line.file && detail.value && play(line.sound, { url: pictureUrl(props.id, detail.value.summary, line.file) })

const recorded = ref<ScriptLineView | null>(null)
const isFurther = ref(false)
function record(line: ScriptLineView, further: boolean) {
    isFurther.value = further
    recorded.value = line
}
const isRecording = computed({ get: () => recorded.value !== null, set: () => (recorded.value = null) })
const use = async (file: File) =>
    recorded.value !== null && (await take(recorded.value, file, isFurther.value)) !== undefined

const chooser = useTemplateRef<HTMLInputElement>('chooser')
function choose(event: Event) {
    const input = event.target as HTMLInputElement
    const file = input.files?.[0]
    input.value = ''
    if (file) void read(file)
}
const value = (event: Event) => (event.target as HTMLInputElement).value
const open = (path: string) => router.push({ name: 'define', params: { id: props.id }, query: { path } })
</script>

<template>
    <StateNote v-if="isPending || (error && !script)" :is-loading="isPending" :problem="error" @again="refetch" />
    <StateNote v-else-if="lines.length === 0" title="Nothing is to be recorded">
        The script lists the signals that the pack’s entries claim. Make one in
        <router-link class="word" :to="{ name: 'define', params: { id } }">Entries</router-link> and say on which
        occasions it is heard.
    </StateNote>
    <div v-else class="flex h-full min-h-0 flex-col">
        <div class="border-line flex flex-wrap items-center gap-x-5 gap-y-2 border-b px-6 py-2">
            <label class="text-small flex items-center gap-2">
                <span class="sr-only">Which sounds</span>
                <select v-model="which" class="field" data-test="which-script">
                    <option value="all">All · {{ lines.length }}</option>
                    <option value="left">Not yours yet · {{ left }}</option>
                </select>
            </label>
            <p class="text-faint text-small">
                For those who record without Underlay: the script as a table, and back with who records what.
            </p>
            <span class="ml-auto flex gap-3">
                <a class="press" :href="`/api/packs/${id}/script/file`" download>Save as CSV</a>
                <button type="button" class="press" :disabled="isBusy" @click="chooser?.click()">Take in CSV …</button>
                <input ref="chooser" type="file" accept=".csv,.txt,.tsv" class="hidden" @change="choose" />
            </span>
        </div>
        <div class="min-h-0 grow overflow-auto px-6 pb-6">
            <table class="w-full min-w-[820px] border-collapse">
                <thead class="bg-film sticky top-0 z-10">
                    <tr class="border-line border-b text-left">
                        <th class="py-1.5 pr-3 font-semibold">Signal</th>
                        <th class="py-1.5 pr-3 font-semibold">Sound</th>
                        <th class="py-1.5 pr-3 font-semibold">Who records it</th>
                        <th class="py-1.5 pr-3 font-semibold">Notes</th>
                        <th class="py-1.5"><span class="sr-only">Hear and record</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr
                        v-for="line in shown"
                        :key="`${line.entry} ${line.sound}`"
                        class="border-line border-b align-top"
                        :data-sound="line.sound"
                    >
                        <th class="py-2 pr-3 text-left font-normal" scope="row">
                            <span v-for="signal in line.signals" :key="signal.code" class="block">
                                {{ signal.name || signal.code }}
                                <span class="text-faint text-tiny">
                                    {{ signal.isRequired ? 'required' : 'optional'
                                    }}{{ signal.when.length > 0 ? `, ${signal.when.join(', ')}` : '' }}
                                </span>
                            </span>
                            <button type="button" class="word text-tiny" @click="open(line.entry)">
                                {{ line.entry.slice(line.entry.lastIndexOf('/') + 1) }}
                            </button>
                        </th>
                        <td class="py-2 pr-3">
                            <span class="font-mono text-small break-all" :title="line.path">{{ line.sound }}</span>
                            <span class="text-tiny block">
                                <span
                                    v-if="line.file === null && line.isRequired"
                                    class="text-madder"
                                    aria-hidden="true"
                                    >▼ </span
                                >{{ states[line.state] }}
                            </span>
                        </td>
                        <td class="py-2 pr-3">
                            <input
                                class="field"
                                :value="noteOf(line).speaker"
                                :aria-label="`Who records ${line.sound}`"
                                maxlength="200"
                                autocomplete="off"
                                @input="type(line, { speaker: value($event) })"
                                @change="note(line)"
                            />
                        </td>
                        <td class="py-2 pr-3">
                            <input
                                class="field"
                                :value="noteOf(line).notes"
                                :aria-label="`Notes on ${line.sound}`"
                                maxlength="1000"
                                autocomplete="off"
                                @input="type(line, { notes: value($event) })"
                                @change="note(line)"
                            />
                        </td>
                        <td class="py-2 whitespace-nowrap">
                            <button
                                type="button"
                                class="word mr-3"
                                :disabled="!line.file"
                                :aria-pressed="playing === line.sound"
                                :aria-label="`Hear ${line.sound}`"
                                @click="hear(line)"
                            >
                                {{ playing === line.sound ? 'Stop' : 'Hear' }}
                            </button>
                            <button
                                v-if="line.state === 'unplayed'"
                                type="button"
                                class="word mr-3"
                                :disabled="isBusy"
                                :aria-label="`Let ${line.sound} be played`"
                                @click="letPlay(line)"
                            >
                                Let it play
                            </button>
                            <button
                                type="button"
                                class="word"
                                :aria-label="`Record ${line.sound}`"
                                @click="record(line, false)"
                            >
                                {{ line.state === 'yours' ? 'Record anew …' : 'Record …' }}
                            </button>
                            <button
                                v-if="line.state === 'yours'"
                                type="button"
                                class="word ml-3"
                                :aria-label="`Record a further take of ${line.sound}`"
                                title="Played in turn with the first"
                                @click="record(line, true)"
                            >
                                Another take …
                            </button>
                        </td>
                    </tr>
                </tbody>
            </table>
            <p class="sr-only" role="status">{{ count(shown.length, 'sound') }}</p>
        </div>
        <RecordDialog
            v-if="recorded"
            v-model="isRecording"
            :title="`${isFurther ? 'Another take of' : 'Record'} ${recorded.signals[0]?.name || recorded.sound}`"
            :is-busy="isBusy"
            :use="use"
        />
    </div>
</template>
