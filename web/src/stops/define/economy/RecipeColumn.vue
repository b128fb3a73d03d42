<script setup lang="ts">
import type { GoodView } from '@/api/client'
import SeverityMark from '@/shared/parts/SeverityMark.vue'
import type { Column, Layer } from './columns'
import { time } from './words'

/** A recipe as a column of the economy's section. */
defineProps<{
    column: Column
    above: number
    below: number
    chosen: string
    worst: string | undefined
    costOf: (good: GoodView) => string
}>()
defineEmits<{ choose: [good: string]; open: [path: string] }>()
const pointed = defineModel<string>('pointed', { required: true })

const look = (layer: Layer, chosen: string) => [
    layer.good?.isYours ? 'bg-ink text-film' : 'hatch',
    layer.key === chosen ? 'border-ink border-2' : 'border-line border',
    pointed.value === layer.key && layer.key !== '' ? 'outline-saffron outline-2 -outline-offset-2' : '',
]
</script>

<template>
    <section class="flex w-[164px] flex-col" :aria-label="`${column.recipe.station}, ${time(column.recipe.minutes)}`">
        <button
            type="button"
            class="text-left hover:underline"
            :title="`${column.recipe.path}: open it`"
            @click="$emit('open', column.recipe.path)"
        >
            <span class="text-small flex items-center gap-1 font-semibold">
                <SeverityMark v-if="worst" :severity="worst" class="shrink-0" />
                <span class="truncate">{{ column.recipe.station }}</span>
            </span>
            <span class="text-faint text-tiny block truncate">
                {{ time(column.recipe.minutes) }}{{ column.isWay ? '' : ', another way'
                }}{{ column.recipe.isYours ? ', yours' : '' }}
            </span>
        </button>
        <div
            v-for="(side, at) in [column.makes, column.uses]"
            :key="at"
            class="border-ink flex flex-col"
            :class="[at === 0 ? 'mt-1 justify-end border-b-2' : 'justify-start', column.isWay ? '' : 'border-dotted']"
            :style="{ height: `${at === 0 ? above : below}px` }"
            role="group"
            :aria-label="at === 0 ? 'comes out' : 'goes in'"
        >
            <button
                v-for="layer in side"
                :key="layer.key + layer.amount"
                type="button"
                class="flex min-w-0 items-center px-1.5 text-left"
                :class="look(layer, chosen)"
                :style="{ height: `${layer.height}px` }"
                :disabled="!layer.good"
                :aria-current="layer.key === chosen ? 'true' : undefined"
                :title="layer.good ? `${layer.good.id}: ${costOf(layer.good)}` : 'nothing will do'"
                @click="$emit('choose', layer.key)"
                @pointerenter="pointed = layer.key"
                @pointerleave="pointed = ''"
                @focus="pointed = layer.key"
                @blur="pointed = ''"
            >
                <span
                    class="text-tiny flex min-w-0 gap-1.5 px-1"
                    :class="layer.good?.isYours ? '' : 'bg-paper text-ink'"
                >
                    <span class="font-mono whitespace-nowrap">{{ layer.amount }}</span>
                    <span class="truncate">{{ layer.good?.title ?? 'nothing will do' }}</span>
                    <span v-if="layer.good && !layer.good.after" class="text-madder" aria-label="cannot be had">▼</span>
                </span>
            </button>
        </div>
    </section>
</template>
