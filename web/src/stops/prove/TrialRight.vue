<script setup lang="ts">
import { computed } from 'vue'
import { baseUrl, fileUrl, type PackSummary } from '@/api/client'
import type { Row } from '@/shared/ledger'
import PathCaption from '@/shared/parts/PathCaption.vue'
import PathText from '@/shared/parts/PathText.vue'
import { capital } from '@/shared/words'
import type { Shown } from './trial'

/** What the host shows as it was made: pictures and sounds as a contact sheet, and below it what has no picture, a line each. */
const props = defineProps<{
    pack: string
    summary: PackSummary
    shown: readonly Shown[]
    rows: ReadonlyMap<string, Row>
    /** By path: what a picture stands for that an index ties to codes. */
    standsFor: Record<string, string>
}>()

const seen = computed(() => props.shown.map((item) => ({ ...item, row: props.rows.get(item.path) })))
const hasPicture = (row: Row | undefined) => (row?.isPicture || row?.isSound) ?? false
const pictured = computed(() => seen.value.filter(({ row }) => hasPicture(row)))
const others = computed(() => seen.value.filter(({ row }) => !hasPicture(row)))
const whose = (item: Shown) => (item.from === 'base' ? 'the base’s' : 'yours')
const picture = ({ path, from, row }: Shown & { row: Row | undefined }) =>
    from === 'base'
        ? baseUrl(props.summary.host, props.summary.edition, path, row!.baseHash)
        : fileUrl(props.pack, path, row!.hash)
</script>

<template>
    <ul
        v-if="pictured.length > 0"
        class="mt-4 grid grid-cols-[repeat(auto-fill,minmax(132px,1fr))] gap-4"
        aria-label="Pictures and sounds that are right"
    >
        <li v-for="item in pictured" :key="item.path" class="min-w-0">
            <span class="bg-paper border-line flex h-[112px] items-center justify-center border p-2">
                <img :src="picture(item)" alt="" class="pixels size-full object-contain" loading="lazy" />
            </span>
            <p class="text-small mt-1 truncate font-semibold" :title="item.row?.title">{{ item.row?.title }}</p>
            <p v-if="item.row?.noun" class="text-tiny truncate">{{ capital(item.row.noun) }}</p>
            <PathCaption :path="item.path" />
            <p v-if="standsFor[item.path]" class="text-tiny font-semibold">{{ standsFor[item.path] }}</p>
            <p class="text-tiny text-faint">{{ whose(item) }}</p>
        </li>
    </ul>
    <ul
        v-if="others.length > 0"
        class="mt-4 grid grid-cols-[repeat(auto-fill,minmax(280px,1fr))] gap-x-6"
        aria-label="Other files that are right"
    >
        <li v-for="item in others" :key="item.path" class="border-line min-w-0 border-t py-1.5">
            <p class="text-small truncate">
                <strong>{{ item.row?.title ?? item.path }}</strong>
                <span v-if="item.row?.noun" class="ml-2">{{ capital(item.row.noun) }}</span>
                <span class="text-faint ml-2">{{ whose(item) }}</span>
            </p>
            <PathText :path="item.path" />
        </li>
    </ul>
    <p v-if="shown.length === 0" class="text-faint mt-4">None.</p>
</template>
