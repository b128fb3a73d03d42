<script setup lang="ts">
import { computed } from 'vue'
import { type PackListItem } from '@/api/client'
import PackFront from '@/shared/parts/PackFront.vue'
import PackSection from '@/shared/parts/PackSection.vue'
import SeverityMark from '@/shared/parts/SeverityMark.vue'
import { count, day, whole } from '@/shared/words'

const props = defineProps<{ pack: PackListItem }>()
defineEmits<{ bin: [] }>()
const summary = computed(() => props.pack.summary)
const hasFindings = computed(() => summary.value.findings.blocker + summary.value.findings.warning > 0)
</script>

<template>
    <li
        class="border-line hover:bg-paper focus-within:bg-paper relative grid gap-5 border-b px-6 py-4"
        :class="[
            'grid-cols-[150px_minmax(220px,340px)_minmax(0,1fr)_190px]',
            'max-[1000px]:grid-cols-[150px_minmax(0,1fr)_170px]',
        ]"
        data-pack
    >
        <PackFront :pack="pack.id" :summary="summary" :version="pack.changedAt" class="h-[94px] w-[150px]" />
        <div class="min-w-0">
            <h2 class="text-large truncate">
                <!-- The whole row is the link. -->
                <router-link
                    :to="{ name: 'gather', params: { id: pack.id } }"
                    class="font-bold after:absolute after:inset-0"
                    >{{ summary.title }}</router-link
                >
                <span v-if="summary.version" class="text-faint text-base ml-2"
                    >{{ pack.released === summary.version ? '' : 'draft ' }}{{ summary.version }}</span
                >
            </h2>
            <p v-if="pack.problem" class="text-small mt-1">{{ pack.problem }}</p>
            <p v-else class="text-faint text-small truncate">
                {{ summary.editionTitle }} · <span class="font-mono">{{ summary.packId ?? 'no manifest yet' }}</span>
            </p>
            <p v-if="!pack.problem" class="text-small mt-1">
                {{
                    pack.about ??
                    count(summary.files, 'file') + (summary.inTray ? `, ${whole(summary.inTray)} in the tray` : '')
                }}
            </p>
        </div>
        <PackSection class="self-center max-[1000px]:hidden" :columns="summary.section" is-small />
        <div class="text-small self-center">
            <p class="flex flex-wrap items-center gap-x-1.5 whitespace-nowrap">
                <template v-if="pack.problem">cannot be shown</template>
                <template v-else-if="hasFindings">
                    <span v-if="summary.findings.blocker" class="flex items-center gap-1.5"
                        ><SeverityMark severity="blocker" />{{ count(summary.findings.blocker, 'blocker') }}</span
                    >
                    <span v-if="summary.findings.warning" class="flex items-center gap-1.5"
                        ><SeverityMark severity="warning" />{{ count(summary.findings.warning, 'warning') }}</span
                    >
                </template>
                <span v-else-if="summary.findings.note > 0">{{ count(summary.findings.note, 'note') }}</span>
                <span v-else>{{
                    summary.inTray > 0 ? `${whole(summary.inTray)} still in the tray` : 'nothing found'
                }}</span>
            </p>
            <p class="text-faint">
                {{ pack.released ? `released: ${pack.released} on ${day(pack.releasedAt!)}` : 'not yet released' }}
            </p>
            <button
                type="button"
                class="text-faint relative underline underline-offset-2 hover:no-underline"
                :aria-label="`Put ${summary.title} into the bin`"
                @click="$emit('bin')"
            >
                Put into the bin
            </button>
        </div>
    </li>
</template>
