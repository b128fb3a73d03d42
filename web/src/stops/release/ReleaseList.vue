<script setup lang="ts">
import type { ReleaseView } from '@/api/client'
import { bytes, count, moment } from '@/shared/words'

defineProps<{ pack: string; releases: readonly ReleaseView[] }>()
</script>

<template>
    <section aria-label="Releases" class="px-6 py-4">
        <h2 class="text-large font-bold">Releases</h2>
        <p v-if="releases.length === 0" class="text-faint mt-1">
            None yet. The first one that you build is kept here for good.
        </p>
        <ol class="mt-2">
            <li v-for="release in releases" :key="release.id" class="border-line border-t py-3" data-test="release">
                <p class="flex items-baseline justify-between gap-2">
                    <strong class="text-large">{{ release.version }}</strong>
                    <span class="text-faint text-small">{{ moment(release.at) }}</span>
                </p>
                <p class="text-small break-words whitespace-pre-line">{{ release.notes }}</p>
                <p class="text-faint text-small">
                    {{ count(release.files, 'file') }}, {{ bytes(release.length)
                    }}<template v-if="release.blockers">, with {{ count(release.blockers, 'blocker') }}</template>
                </p>
                <p class="text-faint text-tiny font-mono break-all" data-test="sha256">
                    <span class="sr-only">SHA-256 </span>{{ release.sha256 }}
                </p>
                <a
                    class="word text-small"
                    :href="`/api/packs/${pack}/releases/${release.id}/package`"
                    :download="release.fileName"
                    data-test="download"
                    >Download {{ release.fileName }}</a
                >
            </li>
        </ol>
    </section>
</template>
