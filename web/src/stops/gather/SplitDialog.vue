<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, data, fileUrl } from '@/api/client'
import { useListening } from '@/shared/composables/useListening'
import { useChange } from '@/shared/composables/usePack'
import { outlinePath } from '@/shared/outline'
import StateNote from '@/shared/parts/StateNote.vue'
import UDialog from '@/shared/parts/UDialog.vue'
import { count } from '@/shared/words'
import PartList from './PartList.vue'
import { keyOf, useParts, type NamedPart } from './useParts'

/** Splits a recording of many sounds into them, each under its name; coughs and what was done again stay behind. */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{ pack: string; file: string }>()
const change = useChange(() => props.pack)
const { playing, problem: mute, play, stop } = useListening()

const {
    data: recording,
    error,
    isPending,
    refetch,
} = useQuery({
    queryKey: ['pack', () => props.pack, 'parts', () => props.file],
    queryFn: () =>
        data(
            api.GET('/api/packs/{id}/tray/parts', {
                params: { path: { id: props.pack }, query: { file: props.file } },
            }),
        ),
    enabled: isOpen,
    staleTime: Infinity,
})
const { text, names, parts, isKept, problem, left, tick, forget } = useParts(
    recording,
    () => `split ${props.pack} ${props.file}`,
)
const isEven = ref(true)
const isPlaced = ref(true)
watch(isOpen, stop)
const doubtful = computed(() => parts.value.filter((part) => part.isDoubtful).length)
const taken = computed(() => parts.value.filter((part) => part.isTaken))
const repeated = computed(() => parts.value.filter((part) => part.kind === 'repeated').length)
const answering = computed(() => taken.value.filter((part) => recording.value!.answers.includes(part.name)).length)

const seconds = (frames: number) => frames / recording.value!.rate
const url = computed(() => fileUrl(props.pack, recording.value!.path, recording.value!.hash))
const hear = (part: NamedPart) =>
    play(keyOf(part), { url: url.value, part: { from: seconds(part.from), to: seconds(part.to) } })
const outline = computed(() => outlinePath(recording.value!.outline, 0, 1000))
const x = (frame: number) => (frame / recording.value!.frames) * 1000

function useList(event: Event) {
    const list = recording.value?.lists[Number((event.target as HTMLSelectElement).value)]
    if (list) text.value = list.names.join('\n')
}

const whereTo = (waiting: number, placed: number) =>
    [placed > 0 && `${count(placed, 'sound')} placed`, waiting > 0 && `${count(waiting, 'sound')} in the tray`]
        .filter(Boolean)
        .join(', ')

async function split() {
    if (problem.value) return
    const body = {
        file: props.file,
        parts: taken.value.map(({ from, to, name, isFurther }) => ({ from, to, name, isFurther })),
        isEven: isEven.value,
        isPlaced: isPlaced.value,
    }
    const made = await change.run(
        () => data(api.POST('/api/packs/{id}/tray/parts', { params: { path: { id: props.pack } }, body })),
        ({ taken, placed, kept }) => `${whereTo(taken - placed, placed)}. The recording is kept in ${kept}.`,
    )
    if (!made) return
    forget()
    isOpen.value = false
}
</script>

<template>
    <UDialog v-model="isOpen" :title="`Split ${file}`" is-wide>
        <StateNote v-if="!recording" :is-loading="isPending" :problem="error" @again="refetch" />
        <p v-else-if="parts.length === 0">
            Nothing in it is louder than the room: there are no sounds to take. Is it the right file?
        </p>
        <form v-else class="flex flex-col gap-3" @submit.prevent="split">
            <p class="text-small">
                {{ count(parts.length, 'sound') }} with silence between them, {{ taken.length }} ticked<template
                    v-if="doubtful > 0"
                    >; {{ count(doubtful, 'is', 'are') }} worth hearing before you trust it</template
                >.
            </p>
            <svg
                viewBox="0 0 1000 100"
                preserveAspectRatio="none"
                class="border-line bg-paper h-16 w-full border"
                aria-hidden="true"
            >
                <rect
                    v-for="part in parts"
                    :key="part.number"
                    :x="x(part.from)"
                    y="0"
                    :width="x(part.to) - x(part.from)"
                    height="100"
                    :class="part.isTaken ? 'fill-malachite' : 'fill-line'"
                    fill-opacity="0.25"
                />
                <path :d="outline" class="fill-faint" />
            </svg>
            <div class="flex gap-4 max-[700px]:flex-col">
                <PartList :parts="parts" :rate="recording.rate" :playing="playing" @hear="hear" @tick="tick" />
                <div class="flex w-64 shrink-0 flex-col gap-2 max-[700px]:w-full">
                    <label v-if="recording.lists.length > 0" class="text-small">
                        What was read out
                        <select class="field text-small" data-test="name-list" @change="useList">
                            <option value="">type it below, or choose …</option>
                            <option v-for="(list, index) in recording.lists" :key="list.title" :value="index">
                                {{ list.title }} ({{ list.names.length }})
                            </option>
                        </select>
                    </label>
                    <label class="text-small flex grow flex-col">
                        Names in order, one a line
                        <textarea
                            v-model="text"
                            class="field text-small grow font-mono"
                            rows="8"
                            data-test="names"
                            spellcheck="false"
                        />
                    </label>
                </div>
            </div>
            <p v-if="left.length > 0 && names.length > 0" class="text-small">
                No part for {{ left.slice(0, 3).join(', ')
                }}{{ left.length > 3 ? ` and ${left.length - 3} more` : '' }}.
            </p>
            <label class="text-small flex items-center gap-2">
                <input v-model="isEven" type="checkbox" />
                As loud as the base’s of that name, or of that folder; the recording stays as it is
            </label>
            <label v-if="repeated > 0" class="text-small flex items-center gap-2">
                <input v-model="isKept" type="checkbox" data-test="keep-further" />
                Keep what was done again as further takes, under the next numbers
            </label>
            <label v-if="answering > 0" class="text-small flex items-center gap-2">
                <input v-model="isPlaced" type="checkbox" data-test="place-answering" />
                {{ count(answering, 'answers', 'answer') }} signals: put into their places, with row and stroke
            </label>
            <div class="flex items-center gap-4">
                <button
                    type="submit"
                    class="press-main press"
                    :disabled="problem !== '' || change.isBusy.value"
                    data-test="split"
                >
                    Take {{ count(taken.length, 'sound') }}
                </button>
                <button type="button" class="press" @click="isOpen = false">Cancel</button>
                <p class="text-small" role="status">{{ mute || problem }}</p>
            </div>
        </form>
    </UDialog>
</template>
