<script setup lang="ts">
import { computed, provide, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { fileUrl } from '@/api/client'
import type { Incoming } from '@/api/upload'
import { useDrop } from '@/shared/composables/useDrop'
import { useChange, usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import PackSection from '@/shared/parts/PackSection.vue'
import StateNote from '@/shared/parts/StateNote.vue'
import StopLine from './StopLine.vue'
import { dropKey, useTrayDrop } from './useTrayDrop'
import { useAppKeys } from './useAppKeys'

/** A pack's frame: its front and title, the section, the stops, and below them the work. */
const props = defineProps<{ id: string }>()
const { data: pack, error, isPending, refetch } = usePack(() => props.id)
const change = useChange(() => props.id)
const place = useQueryValue('place')
const router = useRouter()
const { isHelpOpen, onUndo, onRedo } = useAppKeys()

const summary = computed(() => pack.value?.summary)
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

const undo = () => pack.value?.undo && change.undo()
const redo = () => pack.value?.redo && change.redo()
onUndo.value = undo
onRedo.value = redo
</script>

<template>
    <StateNote v-if="isPending || (error && !pack)" :is-loading="isPending" :problem="error" @again="refetch" />
    <div v-else-if="pack && summary" class="flex h-full flex-col">
        <header class="flex items-start gap-6 px-6 pt-3 max-[1000px]:gap-3">
            <router-link
                :to="{ name: 'packs' }"
                class="flex w-[232px] shrink-0 items-start gap-3 max-[1000px]:w-[168px]"
                title="All packs"
            >
                <img
                    v-if="summary.front"
                    :src="fileUrl(id, summary.front, `r${pack.revision}`)"
                    alt=""
                    class="mt-1 h-10 w-16 shrink-0 object-cover max-[1000px]:hidden"
                />
                <span
                    v-else
                    class="hatch border-line mt-1 h-10 w-16 shrink-0 border max-[1000px]:hidden"
                    aria-hidden="true"
                ></span>
                <span class="min-w-0">
                    <h1 class="text-large truncate leading-6 font-bold" :title="summary.title">{{ summary.title }}</h1>
                    <span class="text-small block truncate">{{ summary.editionTitle }}</span>
                    <span class="text-faint text-tiny block truncate font-mono" :title="summary.packId ?? ''">{{
                        summary.packId ?? 'no manifest yet'
                    }}</span>
                </span>
            </router-link>
            <PackSection class="grow" :columns="summary.section" :chosen="place" @choose="place = $event" />
        </header>
        <StopLine :pack="pack" :is-busy="change.isBusy.value" @undo="undo" @redo="redo" @keys="isHelpOpen = true" />
        <main class="relative min-h-0 grow">
            <router-view />
            <div
                v-if="isOver"
                class="border-lake bg-paper/90 text-large absolute inset-2 z-30 flex items-center justify-center border-2 border-dashed font-semibold"
                aria-hidden="true"
            >
                Drop files, folders or archives
            </div>
        </main>
    </div>
</template>
