<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, inject, onBeforeUnmount, onMounted } from 'vue'
import { api, data } from '@/api/client'
import type { Incoming } from '@/api/upload'
import { dropKey } from '@/frame/useTrayDrop'
import { useKeys } from '@/shared/composables/useKeys'
import { useFindings, useLedger, usePack } from '@/shared/composables/usePack'
import { useNarrowing } from '@/shared/composables/useNarrowing'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import { useWayBack } from '@/shared/composables/useWayBack'
import { join } from '@/shared/ledger'
import GoneNote from '@/shared/parts/GoneNote.vue'
import StateNote from '@/shared/parts/StateNote.vue'
import ComparePanes from './ComparePanes.vue'
import FilmStrip from './FilmStrip.vue'
import RulesAside from './RulesAside.vue'
import SoundRoom from './SoundRoom.vue'
import StepPlates from './StepPlates.vue'
import { useSteps } from './useSteps'

const props = defineProps<{ id: string }>()
const { data: pack } = usePack(() => props.id)
const { data: ledger, error, isPending, refetch } = useLedger(() => props.id)
const { data: findings } = useFindings(() => props.id)
const drop = inject(dropKey)!
const back = useWayBack(() => props.id)
const place = useQueryValue('place')
const path = useQueryValue('path')
const { words, isFoundOnly, has } = useNarrowing()

const all = computed(() =>
    join(ledger.value?.rows ?? [], findings.value?.rows ?? []).filter(
        (row) => (row.isPicture || row.isSound) && row.place && row.hash && (!place.value || row.place === place.value),
    ),
)
/** Those of the line: all, or what was asked for. */
const pictures = computed(() => all.value.filter((row) => has(`${row.title} ${row.noun} ${row.path}`, row.findings)))
/** The picture asked for, else the first with a finding, else the first. */
const shownPath = computed(
    () => path.value || (all.value.find((row) => row.findings.length > 0) ?? all.value[0])?.path || '',
)

const isGone = computed(() => !!problem.value && !all.value.some((row) => row.path === shownPath.value))
const isSound = computed(() => all.value.find((row) => row.path === shownPath.value)?.isSound ?? false)
const { data: sound, error: soundProblem } = useQuery({
    queryKey: ['pack', () => props.id, 'sound', shownPath],
    queryFn: () =>
        data(
            api.GET('/api/packs/{id}/sound', { params: { path: { id: props.id }, query: { path: shownPath.value } } }),
        ),
    enabled: isSound,
    placeholderData: (before) => before,
})
const {
    data: picture,
    error: problem,
    refetch: again,
} = useQuery({
    queryKey: ['pack', () => props.id, 'picture', shownPath],
    queryFn: () =>
        data(
            api.GET('/api/packs/{id}/picture', {
                params: { path: { id: props.id }, query: { path: shownPath.value } },
            }),
        ),
    enabled: () => shownPath.value !== '' && !isSound.value,
    placeholderData: (before) => before,
})
const steps = useSteps(() => props.id, picture)
const soundSteps = useSteps(() => props.id, sound, 'sound')

function step(by: number) {
    const at = pictures.value.findIndex((row) => row.path === shownPath.value)
    const next = pictures.value[Math.max(0, Math.min(pictures.value.length - 1, at + by))]
    if (next) path.value = next.path
}

// One picture or recording dropped here is a new source for the one that is shown; anything else goes into the tray.
function takeSource(files: Incoming[]): boolean {
    const only = files.length === 1 ? files[0] : undefined
    if (only && isSound.value && sound.value?.yours && /\.(wav|flac|aiff?|mp3|ogg|opus)$/i.test(only.path)) {
        void soundSteps.renew(only.file)
        return true
    }
    if (!only || isSound.value || !picture.value?.yours || !/\.(png|dds|tga|bmp|gif|webp|jpe?g)$/i.test(only.path))
        return false
    void steps.renew(only.file)
    return true
}
onMounted(() => (drop.taker.value = takeSource))
onBeforeUnmount(() => (drop.taker.value = null))

useKeys({
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    Escape: back,
})
</script>

<template>
    <StateNote v-if="isPending || (error && !ledger)" :is-loading="isPending" :problem="error" @again="refetch" />
    <StateNote v-else-if="!shownPath" title="No pictures or sounds yet">
        {{ place ? 'Your pack has no picture or sound in this place.' : 'Your pack has no pictures or sounds.' }} Drop
        some anywhere on this page, or bring some from the base in
        <router-link class="word" :to="{ name: 'gather', params: { id } }">Gather</router-link>.
    </StateNote>
    <div v-else class="flex h-full flex-col">
        <FilmStrip
            v-model:words="words"
            v-model:is-found-only="isFoundOnly"
            :pack="id"
            :summary="pack!.summary"
            :rows="pictures"
            :number="all.length"
            :path="shownPath"
            @choose="path = $event"
        />
        <template v-if="isSound">
            <StateNote v-if="soundProblem" :problem="soundProblem" />
            <SoundRoom v-else-if="sound" :pack="id" :summary="pack!.summary" :sound="sound" :steps="soundSteps" />
        </template>
        <GoneNote v-else-if="isGone" :path="shownPath" nouns="pictures and sounds" @leave="path = ''" />
        <StateNote v-else-if="problem" :problem="problem" @again="again" />
        <div v-else-if="picture" class="flex min-h-0 grow max-[700px]:flex-col max-[700px]:overflow-y-auto">
            <div class="flex min-w-0 grow flex-col px-6 py-3 max-[700px]:shrink-0 max-[700px]:grow-0 max-[700px]:px-4">
                <ComparePanes :pack="id" :summary="pack!.summary" :picture="picture" class="min-h-0 grow" />
                <StepPlates v-if="picture.yours" :pack="id" :picture="picture" :steps="steps" class="shrink-0 pt-3" />
            </div>
            <RulesAside :pack="id" :picture="picture" />
        </div>
    </div>
</template>
