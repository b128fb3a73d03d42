<script setup lang="ts">
import { computed } from 'vue'
import { baseUrl, fileUrl, type FindingView } from '@/api/client'
import { usePack } from '../composables/usePack'

/** The pictures of one thing side by side: the one that is yours, and those that are still the base's. */
const props = defineProps<{ pack: string; finding: FindingView }>()
const { data: pack } = usePack(() => props.pack)
const most = 6

const nameOf = (path: string) => path.slice(path.lastIndexOf('/') + 1)
const sides = computed(() => {
    const summary = pack.value?.summary
    if (!summary) return []
    const yours = props.finding.name.path
    return [
        { path: yours, of: 'yours', url: fileUrl(props.pack, yours) },
        ...props.finding.parts.slice(0, most).map(({ path }) => ({
            path,
            of: 'the base’s',
            url: baseUrl(summary.host, summary.edition, path),
        })),
    ]
})
</script>

<template>
    <ul class="flex flex-wrap items-end gap-x-4 gap-y-1 py-1" data-test="half-changed">
        <li v-for="side in sides" :key="side.path" class="text-tiny max-w-24 text-center">
            <img
                :src="side.url"
                alt=""
                class="pixels bg-paper mx-auto h-11 w-16 border object-contain"
                :class="side.of === 'yours' ? 'border-ink' : 'border-edge border-dashed'"
                loading="lazy"
            />
            <span class="block truncate font-mono" :title="side.path">{{ nameOf(side.path) }}</span>
            <span class="text-faint block leading-3">{{ side.of }}</span>
        </li>
        <li v-if="finding.parts.length > most" class="text-faint text-small">
            and {{ finding.parts.length - most }} more
        </li>
    </ul>
</template>
