<script setup lang="ts">
import { ArrowUturnLeftIcon, ArrowUturnRightIcon } from '@heroicons/vue/24/outline'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { PackView } from '@/api/client'
import { stopAddress } from '@/shared/composables/useStops'
import SeverityMark from '@/shared/parts/SeverityMark.vue'
import { lastTyped } from '@/shared/typed'
import { count, whole } from '@/shared/words'

/** The five stops in working order, each with the one number that matters there. */
const props = defineProps<{ pack: PackView; isBusy: boolean }>()
defineEmits<{ undo: []; redo: []; keys: []; help: [] }>()
const route = useRoute()

const undoes = computed(() => (lastTyped.value ? `what you typed in ${lastTyped.value.title}` : props.pack.undo))
const summary = computed(() => props.pack.summary)
const stops = computed(() => [
    {
        name: 'gather',
        title: 'Gather',
        says: summary.value.inTray > 0 ? `${whole(summary.value.inTray)} in tray` : count(summary.value.files, 'file'),
    },
    { name: 'shape', title: 'Shape', says: summary.value.toFit > 0 ? `${whole(summary.value.toFit)} to fit` : '' },
    { name: 'define', title: 'Define', says: count(summary.value.definitions, 'definition', 'definitions') },
    { name: 'prove', title: 'Prove', says: '' },
    {
        name: 'release',
        title: 'Release',
        says: summary.value.version
            ? `${props.pack.released === summary.value.version ? '' : 'draft '}${summary.value.version}`
            : '',
    },
])
</script>

<template>
    <div
        class="border-line flex items-end gap-x-6 gap-y-1 border-b px-6 max-[1000px]:gap-x-4 max-[700px]:flex-wrap max-[700px]:px-4"
        :class="'low:flex-nowrap!'"
    >
        <nav
            class="flex min-w-0 gap-x-7 max-[1000px]:gap-x-4 max-[700px]:w-full max-[700px]:flex-wrap max-[700px]:gap-x-3"
            :class="'low:w-auto! low:flex-nowrap!'"
            aria-label="Stops"
        >
            <router-link
                v-for="stop in stops"
                :key="stop.name"
                :to="stopAddress(route, stop.name)"
                class="flex items-baseline gap-2 border-b-[3px] pt-2 pb-2 whitespace-nowrap"
                :class="route.name === stop.name ? 'border-ink font-bold' : 'hover:border-line border-transparent'"
                :aria-current="route.name === stop.name ? 'page' : undefined"
            >
                {{ stop.title }}
                <span
                    v-if="stop.name === 'prove'"
                    class="text-faint text-small flex items-baseline gap-2 font-normal"
                    data-test="prove-counts"
                >
                    <span v-if="summary.findings.blocker" class="inline-flex items-center gap-1"
                        ><SeverityMark severity="blocker" />{{ whole(summary.findings.blocker) }}</span
                    >
                    <span v-if="summary.findings.warning" class="low:max-[700px]:hidden inline-flex items-center gap-1"
                        ><SeverityMark severity="warning" />{{ whole(summary.findings.warning) }}</span
                    >
                    <span
                        v-if="summary.findings.note && !summary.findings.blocker && !summary.findings.warning"
                        class="inline-flex items-center gap-1"
                        ><SeverityMark severity="note" />{{ whole(summary.findings.note) }}</span
                    >
                    <span v-if="!summary.findings.blocker && !summary.findings.warning && !summary.findings.note">{{
                        summary.inTray > 0 ? 'nothing placed is wrong' : 'nothing found'
                    }}</span>
                </span>
                <span v-else-if="stop.says" class="text-faint text-small font-normal max-[700px]:hidden">{{
                    stop.says
                }}</span>
            </router-link>
        </nav>
        <div
            class="ml-auto flex items-center gap-5 pb-2 whitespace-nowrap max-[1000px]:gap-3 max-[700px]:ml-0 max-[700px]:pb-1"
            :class="'low:ml-auto! low:pb-2!'"
        >
            <button
                type="button"
                class="disabled:text-faint inline-flex min-h-6 min-w-6 items-center justify-center gap-1"
                :disabled="(!pack.undo && !lastTyped) || isBusy"
                :title="undoes ? `Undo: ${undoes}` : 'Nothing to undo'"
                @click="$emit('undo')"
            >
                <ArrowUturnLeftIcon class="size-4" aria-hidden="true" /><span class="max-[1000px]:sr-only">Undo</span>
            </button>
            <button
                type="button"
                class="disabled:text-faint inline-flex min-h-6 min-w-6 items-center justify-center gap-1"
                :disabled="!pack.redo || isBusy"
                :title="pack.redo ? `Redo: ${pack.redo}` : 'Nothing to redo'"
                @click="$emit('redo')"
            >
                <ArrowUturnRightIcon class="size-4" aria-hidden="true" /><span class="max-[1000px]:sr-only">Redo</span>
            </button>
            <router-link :to="{ name: 'hosts', params: { host: summary.host } }">Hosts</router-link>
            <button type="button" title="F1" @click="$emit('help')">Help</button>
            <button type="button" title="?" @click="$emit('keys')">Keys</button>
        </div>
    </div>
</template>
