<script setup lang="ts">
import { computed, nextTick, provide, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { Problem } from '@/api/client'
import type { Incoming } from '@/api/upload'
import { useDrop } from '@/shared/composables/useDrop'
import { useMessages } from '@/shared/composables/useMessages'
import { useChange, usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import { isNowhere } from '@/shared/composables/useRowFocus'
import PackFront from '@/shared/parts/PackFront.vue'
import PackSection from '@/shared/parts/PackSection.vue'
import StateNote from '@/shared/parts/StateNote.vue'
import { lastTyped } from '@/shared/typed'
import StopLine from './StopLine.vue'
import { dropKey, useTrayDrop } from './useTrayDrop'
import { useAppKeys } from './useAppKeys'
import { useHelp } from './help/useHelp'

/** A pack's frame: its front and title, the section, the stops, and below them the work. */
const props = defineProps<{ id: string }>()
const { data: pack, error, isPending, refetch } = usePack(() => props.id)
const change = useChange(() => props.id)
const place = useQueryValue('place')
const router = useRouter()
const { isHelpOpen, onUndo, onRedo } = useAppKeys()
const help = useHelp()
const route = useRoute()

const work = ref<HTMLElement>()
/** Put into the bin, here or by another page: what is shown is no longer worked on. */
const isGone = computed(
    () => error.value instanceof Problem && ['/problems/in-bin', '/problems/no-pack'].includes(error.value.type),
)
const summary = computed(() => pack.value?.summary)
// A stop that is gone to has the focus, so that its keys act at once; its list gives it to the row that was left.
watch(
    () => [route.name, route.query.look, route.query.path],
    async ([name], [before]) => {
        await nextTick()
        const isLeftBehind = name === before ? isNowhere() : !work.value?.contains(document.activeElement)
        if (isLeftBehind) work.value?.focus({ preventScroll: true })
    },
)
// Where what had the focus is gone, the list's last row perhaps, keys still act.
watch(
    () => pack.value?.revision,
    (_, before) =>
        before !== undefined &&
        requestAnimationFrame(() => {
            if (document.activeElement === document.body) work.value?.focus({ preventScroll: true })
        }),
)
watch(summary, (now) => now && (document.title = `${now.title} · Underlay`))

// A drop anywhere goes into the tray, unless a stop takes it: Shape takes a picture as a new source.
const taker = ref<((files: Incoming[]) => boolean) | null>(null)
const drop = useTrayDrop(() => props.id)
provide(dropKey, { ...drop, taker })
const isOver = useDrop((files) => {
    if (taker.value?.(files)) return
    void router.push({ name: 'gather', params: { id: props.id }, query: router.currentRoute.value.query })
    void drop.take(files)
})

const { say } = useMessages()
/** What is typed and not in the pack yet is the last that was done. */
function undo() {
    const typed = lastTyped.value
    if (!typed) return pack.value?.undo && change.undo()
    const putBack = typed.takeBack()
    say(`What you typed in ${typed.title} is taken back.`, { word: 'Put it back', run: putBack })
}
const redo = () => pack.value?.redo && change.redo()
onUndo.value = undo
onRedo.value = redo
</script>

<template>
    <main v-if="isGone" class="px-6 py-10">
        <h1 class="text-large font-semibold" role="alert">{{ error!.message }}</h1>
        <p class="mt-3 flex gap-4">
            <router-link class="press" :to="{ name: 'packs' }">To all packs</router-link>
        </p>
    </main>
    <StateNote v-else-if="isPending || (error && !pack)" :is-loading="isPending" :problem="error" @again="refetch" />
    <div v-else-if="pack && summary" class="low:h-auto flex h-full flex-col">
        <a
            href="#work"
            class="press bg-paper sr-only absolute top-2 left-2 z-40 focus:not-sr-only"
            @click.prevent="work?.focus()"
            >To the work</a
        >
        <header
            class="flex items-start gap-6 px-6 pt-3 max-[1000px]:gap-3 max-[700px]:flex-col max-[700px]:gap-1 max-[700px]:px-4"
            :class="'low:flex-row! low:items-baseline low:pt-1'"
        >
            <router-link
                :to="{ name: 'packs' }"
                class="flex w-[232px] shrink-0 items-start gap-3 max-[1000px]:w-[168px] max-[700px]:w-full"
                :class="'low:w-auto! low:min-w-0 low:shrink'"
                title="All packs"
            >
                <PackFront
                    :pack="id"
                    :summary="summary"
                    :version="`r${pack.revision}`"
                    class="low:hidden mt-1 h-10 w-16 shrink-0 max-[1000px]:hidden"
                />
                <span class="low:flex low:items-baseline low:gap-3 min-w-0">
                    <h1 class="text-large truncate leading-6 font-bold" :title="summary.title">{{ summary.title }}</h1>
                    <span class="text-small block truncate">{{ summary.editionTitle }}</span>
                    <span
                        class="text-faint text-tiny low:hidden block truncate font-mono"
                        :title="summary.packId ?? ''"
                        >{{ summary.packId ?? 'no manifest yet' }}</span
                    >
                </span>
            </router-link>
            <PackSection
                class="low:w-auto! low:grow-0 low:ml-auto grow max-[700px]:w-full"
                :columns="summary.section"
                :chosen="place"
                @choose="place = $event"
            />
        </header>
        <StopLine
            :pack="pack"
            :is-busy="change.isBusy.value"
            @undo="undo"
            @redo="redo"
            @keys="isHelpOpen = true"
            @help="help.openHere(route)"
        />
        <main
            id="work"
            ref="work"
            class="low:h-[480px] low:grow-0 low:shrink-0 relative min-h-0 grow outline-none"
            tabindex="-1"
            :aria-label="String(route.meta.title)"
        >
            <router-view />
            <div
                v-if="isOver"
                class="border-lake bg-paper/90 text-large absolute inset-2 z-30 flex items-center justify-center"
                :class="'border-2 border-dashed font-semibold'"
                aria-hidden="true"
            >
                Drop files, folders or archives
            </div>
        </main>
    </div>
</template>
