<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, ref } from 'vue'
import { pictureUrl, type GoodView, type PackSummary } from '@/api/client'
import { change, coins, time } from './words'

/** Goods with what they are sold for, cost and take, before the pack and with it. */
const props = defineProps<{ pack: string; summary: PackSummary; goods: readonly GoodView[]; chosen: string }>()
defineEmits<{ choose: [good: string] }>()

const box = ref<HTMLElement>()
const virtualizer = useVirtualizer(
    computed(() => ({
        count: props.goods.length,
        getScrollElement: () => box.value ?? null,
        estimateSize: () => 52,
        getItemKey: (index: number) => props.goods[index]?.key ?? index,
        overscan: 8,
    })),
)
const pictureOf = ({ picture }: GoodView) => picture && pictureUrl(props.pack, props.summary, picture)
const isLoss = (good: GoodView) => good.sold != null && good.after?.way && good.after.price > good.sold
</script>

<template>
    <div ref="box" class="min-h-0 grow overflow-y-auto" role="list" aria-label="Goods" data-test="goods">
        <div class="relative" :style="{ height: `${virtualizer.getTotalSize()}px` }">
            <div
                v-for="row in virtualizer.getVirtualItems()"
                :key="String(row.key)"
                role="listitem"
                class="absolute inset-x-0"
                :style="{ transform: `translateY(${row.start}px)`, height: `${row.size}px` }"
            >
                <button
                    v-for="good in [goods[row.index]!]"
                    :key="good.key"
                    type="button"
                    class="flex h-full w-full items-center gap-2.5 border-l-4 py-1 pr-3 pl-5 text-left"
                    :class="good.key === chosen ? 'border-lake bg-paper' : 'hover:bg-paper border-transparent'"
                    :aria-current="good.key === chosen ? 'true' : undefined"
                    :title="good.id"
                    @click="$emit('choose', good.key)"
                >
                    <img
                        v-if="pictureOf(good)"
                        :src="pictureOf(good)!"
                        alt=""
                        class="pixels size-8 shrink-0 object-contain"
                        loading="lazy"
                    />
                    <span v-else class="w-8 shrink-0" aria-hidden="true"></span>
                    <span class="min-w-0 grow">
                        <span class="block truncate">
                            {{ good.title }}<span v-if="good.isYours" class="text-faint text-small ml-1.5">yours</span>
                        </span>
                        <span class="text-faint text-small block truncate">
                            <template v-if="good.after">costs </template>{{ change(good, (cost) => coins(cost.price)) }}
                            <template v-if="good.after?.way">
                                · {{ change(good, (cost) => time(cost.minutes)) }}</template
                            >
                        </span>
                    </span>
                    <span v-if="good.sold != null" class="text-small shrink-0 text-right">
                        <span class="block">{{ coins(good.sold) }}</span>
                        <span class="text-faint text-tiny block">{{ isLoss(good) ? 'at a loss' : 'sold for' }}</span>
                    </span>
                </button>
            </div>
        </div>
    </div>
</template>
