<script setup lang="ts">
import { computed, ref } from 'vue'
import { fileUrl, type DraftView, type SectionColumn } from '@/api/client'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import PathCaption from '@/shared/parts/PathCaption.vue'
import { count } from '@/shared/words'

/** What changed since the last release, in pictures; for a first release, what is in it. */
const props = defineProps<{ pack: string; draft: DraftView; host: string; section: readonly SectionColumn[] }>()
/** So many of each are drawn; more when they are asked for. */
const most = ref(100)
const place = useQueryValue('place')
const title = computed(() => props.section.find((column) => column.place === place.value)?.title ?? '')
const items = computed(() =>
    place.value ? props.draft.changes.filter((item) => item.place === place.value) : props.draft.changes,
)
const words: Record<string, string> = {
    addition: 'added',
    override: 'overrides',
    changed: 'changed',
    removed: 'taken away',
}
const pictures = computed(() => items.value.filter((item) => item.isPicture && item.hash))
const others = computed(() => items.value.filter((item) => !item.isPicture || !item.hash))
</script>

<template>
    <section class="px-6 py-4" aria-label="Changes">
        <h2 class="text-large font-bold">
            {{ draft.since ? `Changed since ${draft.since}` : 'In the first release' }}
        </h2>
        <p v-if="place" class="text-small">
            {{ title }} only. <button type="button" class="word" @click="place = ''">All places</button>
        </p>
        <p class="text-faint">
            {{
                draft.isSinceLost
                    ? `What ${draft.since} held cannot be found any more, so nothing is compared with it. Its package is kept.`
                    : items.length === 0
                      ? draft.since
                          ? 'Nothing but, perhaps, the manifest.'
                          : 'Nothing yet.'
                      : count(items.length, 'file')
            }}
        </p>
        <ul class="mt-3 grid grid-cols-[repeat(auto-fill,minmax(104px,1fr))] gap-3">
            <li v-for="item in pictures.slice(0, most)" :key="item.path" class="min-w-0">
                <span
                    class="bg-paper flex h-[84px] items-center justify-center"
                    :class="item.change === 'addition' ? 'border-ink border-2 border-dotted' : 'border-line border'"
                >
                    <img
                        :src="fileUrl(pack, item.path, item.hash)"
                        alt=""
                        class="pixels max-h-[72px] max-w-[88px] min-h-[44px] object-contain"
                        loading="lazy"
                    />
                </span>
                <PathCaption :path="item.path" />
                <span class="text-faint text-tiny">{{ words[item.change] }}</span>
            </li>
        </ul>
        <ul class="mt-4">
            <li v-for="item in others.slice(0, most)" :key="item.path" class="text-small flex gap-3">
                <span class="text-faint w-20 shrink-0">{{ words[item.change] }}</span><span
                    class="min-w-0 font-mono break-all"
                    >{{ item.path }}</span
                >
            </li>
        </ul>
        <p v-if="Math.max(pictures.length, others.length) > most" class="text-faint mt-3">
            {{ count(Math.max(0, pictures.length - most) + Math.max(0, others.length - most), 'more file') }}.
            <button type="button" class="word" @click="most += 400">Show more</button>
        </p>
        <template v-if="draft.placeholders.length > 0">
            <h3 class="mt-5 font-bold">{{ count(draft.placeholders.length, 'placeholder') }}</h3>
            <p class="text-faint text-small">
                Copies of the base’s that hold a place until yours come. They go into the package as they are.
            </p>
            <ul class="text-small font-mono" data-test="placeholders">
                <li v-for="path in draft.placeholders.slice(0, most)" :key="path" class="break-all">{{ path }}</li>
            </ul>
        </template>
        <template v-if="draft.omitted.length > 0">
            <h3 class="mt-5 font-bold">Left out</h3>
            <p class="text-faint text-small">
                {{ host }} does not read these, so they do not go into the package. They stay in your pack.
            </p>
            <ul class="text-small font-mono">
                <li v-for="path in draft.omitted.slice(0, most)" :key="path" class="break-all">{{ path }}</li>
            </ul>
            <p v-if="draft.omitted.length > most" class="text-faint">
                and {{ count(draft.omitted.length - most, 'more file') }}
            </p>
        </template>
    </section>
</template>
