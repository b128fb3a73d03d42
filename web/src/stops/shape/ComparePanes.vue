<script setup lang="ts">
import { useIntervalFn, useElementSize, usePreferredReducedMotion } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { baseUrl, fileUrl, type PackSummary, type PictureView } from '@/api/client'
import { useKeys } from '@/shared/composables/useKeys'
import { grounds, usePreferences } from '@/shared/composables/usePreferences'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import PathText from '@/shared/parts/PathText.vue'
import { bytes, pixels } from '@/shared/words'
import PicturePane from './PicturePane.vue'

/** Base and yours, with one zoom and one scroll for both. */
const props = defineProps<{ pack: string; summary: PackSummary; picture: PictureView }>()
const view = useQueryValue('view', 'side')
const zoom = useQueryValue('zoom', 'fit')
const views = [
    { key: 'side', word: 'Side by side' },
    { key: 'blink', word: 'Blink' },
    { key: 'difference', word: 'What differs' },
]
const zooms = ['fit', '1', '2', '4', '8', '16', '32']
/** Small pictures fill their pane up to so many times their size. */
const mostToFit = 8
const preferences = usePreferences()

const isSwapped = ref(false)
const isBaseShown = ref(false)
const scroll = ref({ left: 0, top: 0 })
const area = ref<HTMLElement>()
const { width, height } = useElementSize(area)
const calm = usePreferredReducedMotion()

/** What yours is compared with: the base's picture, else the one that it was made like. */
const baseSide = computed(() => {
    const { base, like, path } = props.picture
    const ofBase = (at: string, hash: string) => baseUrl(props.summary.host, props.summary.edition, at, hash)
    if (base)
        return {
            title: 'Base',
            url: ofBase(path, base.hash),
            size: base.size,
            says: `${props.summary.edition} · ${pixels(base.size)}`,
            problem: base.problem,
        }
    if (!like) return null
    const { picture } = like
    return {
        title: 'Original',
        url: like.isYours ? fileUrl(props.pack, like.path, picture.hash) : ofBase(like.path, picture.hash),
        size: picture.size,
        says: `${like.path} · ${pixels(picture.size)}`,
        problem: picture.problem,
    }
})
const yourSide = computed(() =>
    props.picture.yours
        ? {
              title: 'Yours',
              url: fileUrl(props.pack, props.picture.path, props.picture.yours.hash),
              size: props.picture.yours.size,
              says: `${pixels(props.picture.yours.size)} · ${bytes(props.picture.yours.length)}`,
              problem: props.picture.yours.problem,
          }
        : null,
)
const sides = computed(() => (isSwapped.value ? [yourSide.value, baseSide.value] : [baseSide.value, yourSide.value]))
const canCompare = computed(
    () => baseSide.value !== null && yourSide.value !== null && !yourSide.value.problem && !baseSide.value.problem,
)
const shownView = computed(() => (canCompare.value ? view.value : 'side'))

const largest = computed(() => ({
    width: Math.max(baseSide.value?.size?.width ?? 1, yourSide.value?.size?.width ?? 1),
    height: Math.max(baseSide.value?.size?.height ?? 1, yourSide.value?.size?.height ?? 1),
}))
/** Whole factors, so that every pixel is as large as the next. */
const factor = computed(() => {
    if (zoom.value !== 'fit') return Number(zoom.value)
    const panes = shownView.value === 'side' ? 2 : 1
    const room = Math.min((width.value / panes - 48) / largest.value.width, (height.value - 70) / largest.value.height)
    return room >= 1 ? Math.min(mostToFit, Math.floor(room)) : Math.max(0.125, room)
})

const blink = useIntervalFn(() => (isBaseShown.value = !isBaseShown.value), 700, { immediate: false })
watch(
    [shownView, calm],
    ([now]) => {
        isBaseShown.value = false
        if (now === 'blink' && calm.value !== 'reduce') blink.resume()
        else blink.pause()
    },
    { immediate: true },
)
watch(
    () => props.picture.path,
    () => (scroll.value = { left: 0, top: 0 }),
)

const difference = computed(() => ({
    title: 'What differs',
    url: `/api/packs/${props.pack}/picture/difference?path=${encodeURIComponent(props.picture.path)}&of=${props.picture.yours?.hash}`,
    size: largest.value,
    says: 'black where both agree, brighter where they differ more',
    problem: null,
}))

useKeys({
    x: () => (isSwapped.value = !isSwapped.value),
    b: () => (view.value = view.value === 'blink' ? 'side' : 'blink'),
    c: () => preferences.nextGround(),
    z: () => (zoom.value = zoom.value === '1' ? 'fit' : '1'),
    '+': () => (zoom.value = zooms[Math.min(zooms.length - 1, zooms.indexOf(zoom.value) + 1)] ?? 'fit'),
    '-': () => (zoom.value = zooms[Math.max(0, zooms.indexOf(zoom.value) - 1)] ?? 'fit'),
})
</script>

<template>
    <div class="flex flex-col">
        <div class="flex flex-wrap items-baseline gap-x-5 gap-y-1 pb-2">
            <h2 class="text-large min-w-0 truncate font-bold" :title="`${picture.title} · ${picture.noun}`">
                {{ picture.title }} · {{ picture.noun }}
            </h2>
            <p v-if="picture.standsFor" class="text-small font-semibold" data-test="stands-for">
                {{ picture.standsFor }}
            </p>
            <PathText :path="picture.path" class="max-w-[360px]" />
            <div class="ml-auto flex flex-wrap items-baseline gap-4" role="group" aria-label="View">
                <button
                    v-for="item in views"
                    :key="item.key"
                    type="button"
                    class="border-b-2 disabled:opacity-60"
                    :class="shownView === item.key ? 'border-ink font-bold' : 'border-transparent'"
                    :aria-pressed="shownView === item.key"
                    :disabled="item.key !== 'side' && !canCompare"
                    @click="view = item.key"
                >
                    {{ item.word }}
                </button>
                <button
                    type="button"
                    class="border-b-2"
                    :class="zoom === '1' ? 'border-ink font-bold' : 'border-transparent'"
                    :aria-pressed="zoom === '1'"
                    @click="zoom = zoom === '1' ? 'fit' : '1'"
                >
                    True size
                </button>
                <label class="text-small flex items-center gap-2">
                    Zoom
                    <select v-model="zoom" class="field text-small w-auto">
                        <option v-for="item in zooms" :key="item" :value="item">
                            {{ item === 'fit' ? 'fit' : `${item}x` }}
                        </option>
                    </select>
                </label>
                <label class="text-small flex items-center gap-2">
                    Ground
                    <select v-model="preferences.ground" class="field text-small w-auto">
                        <option v-for="item in grounds" :key="item" :value="item">{{ item }}</option>
                    </select>
                </label>
                <button type="button" class="word text-small" @click="isSwapped = !isSwapped">Swap</button>
            </div>
        </div>
        <div
            ref="area"
            class="flex min-h-[160px] grow gap-4 max-[700px]:min-h-[480px] max-[700px]:flex-col max-[700px]:gap-2"
        >
            <template v-if="shownView === 'side'">
                <template v-for="(side, index) in sides" :key="index">
                    <PicturePane v-if="side" v-model:scroll="scroll" :side="side" :factor="factor" />
                    <div
                        v-else
                        class="border-line text-faint flex min-w-0 flex-1 items-center justify-center border border-dotted text-center"
                    >
                        <!-- A frame's own padding would make it wider than the picture's beside it. -->
                        <p class="p-6">
                            {{
                                picture.yours
                                    ? 'The base has nothing here: yours is an addition.'
                                    : 'Your pack has nothing here yet. Bring it in Gather.'
                            }}
                        </p>
                    </div>
                </template>
            </template>
            <PicturePane
                v-else-if="shownView === 'difference'"
                v-model:scroll="scroll"
                :side="difference"
                :factor="factor"
            />
            <div v-else class="flex min-w-0 flex-1 flex-col">
                <PicturePane v-model:scroll="scroll" :side="(isBaseShown ? baseSide : yourSide)!" :factor="factor" />
                <button type="button" class="word text-small self-start" @click="isBaseShown = !isBaseShown">
                    Show {{ isBaseShown ? 'yours' : picture.base ? 'the base' : 'the original' }}
                </button>
            </div>
        </div>
    </div>
</template>
