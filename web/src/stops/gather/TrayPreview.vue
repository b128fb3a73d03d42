<script setup lang="ts">
import { PlayIcon, StopIcon } from '@heroicons/vue/24/outline'
import { computed } from 'vue'
import { baseUrl, fileUrl, type Candidate, type PackSummary, type TrayRow } from '@/api/client'
import { useListening } from '@/shared/composables/useListening'
import { endingOf } from '@/shared/words'

/** A file of the tray as it looks or sounds, beside what it would lie over. */
const props = defineProps<{ pack: string; summary: PackSummary; row: TrayRow; candidate: Candidate | undefined }>()
const { playing, play } = useListening()
/** What lies at the target already, base first. */
const there = computed(() => {
    const c = props.candidate
    if (!c || !props.row.isPicture) return []
    const { host, edition } = props.summary
    return [
        c.baseHash ? { of: 'the base’s', url: baseUrl(host, edition, c.target, c.baseHash) } : null,
        c.yoursHash ? { of: 'yours now', url: fileUrl(props.pack, c.target, c.yoursHash) } : null,
    ].filter((side) => side !== null)
})
</script>

<template>
    <!-- Yours and what it would lie over, at one size; a picture grows under the pointer. -->
    <div class="text-tiny flex gap-2 leading-4">
        <figure class="shrink-0 text-center">
            <img
                v-if="row.isPicture && !row.isFlawed"
                :src="fileUrl(pack, row.path, row.hash)"
                alt=""
                class="pixels growing size-[44px] object-contain"
                loading="lazy"
            />
            <span
                v-else
                class="text-faint border-line text-small flex size-[44px] items-center justify-center border font-mono"
                ><button
                    v-if="row.isSound && !row.isFlawed"
                    type="button"
                    class="word"
                    :aria-label="`Hear ${row.file}`"
                    :aria-pressed="playing === row.path"
                    @click="play(row.path, { url: fileUrl(pack, row.path, row.hash) })"
                >
                    <component :is="playing === row.path ? StopIcon : PlayIcon" class="size-6" aria-hidden="true" />
                </button>
                <template v-else>{{ row.isFlawed ? '?' : endingOf(row.path) }}</template></span
            >
        </figure>
        <figure v-for="side in there" :key="side.of" class="shrink-0 text-center">
            <img
                :src="side.url"
                alt=""
                :title="side.of"
                class="pixels hatch growing size-[44px] object-contain"
                loading="lazy"
            />
            <figcaption class="sr-only">{{ side.of }}</figcaption>
        </figure>
    </div>
</template>
