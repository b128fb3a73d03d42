<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { pictureUrl, type EconomyView, type GoodView, type PackSummary } from '@/api/client'
import SeverityMark from '@/shared/parts/SeverityMark.vue'
import { graphOf } from './graph'
import { sum, time } from './words'

/** How a good is made and what it goes into: amounts on the lines, the cheapest way drawn through. */
const props = defineProps<{
    pack: string
    summary: PackSummary
    economy: EconomyView
    chosen: string
    /** The worst that was found at a path. */
    worst: (path: string) => string | undefined
}>()
defineEmits<{ choose: [good: string]; open: [path: string] }>()

const graph = computed(() => graphOf(props.economy, props.chosen))
const box = ref<HTMLElement>()
/** What was asked for is in view, however much there is around it. */
watch(
    () => [props.chosen, box.value],
    async () => {
        await nextTick()
        const node = graph.value.nodes.find(({ key }) => key === props.chosen)
        if (!box.value || !node) return
        box.value.scrollLeft = node.x + (node.width - box.value.clientWidth) / 2
        box.value.scrollTop = node.y + (node.height - box.value.clientHeight) / 2
    },
    { immediate: true, flush: 'post' },
)
const pictureOf = ({ picture }: GoodView) => picture && pictureUrl(props.pack, props.summary, picture)
const costOf = (good: GoodView) =>
    !good.isThere
        ? 'does not exist'
        : !good.after
          ? 'cannot be had'
          : good.after.way
            ? `costs ${sum(good.after.price)}`
            : good.after.price > 0
              ? `bought at ${sum(good.after.price)}`
              : 'at hand'
const place = (box: { x: number; y: number; width: number; height: number }) => ({
    left: `${box.x}px`,
    top: `${box.y}px`,
    width: `${box.width}px`,
    height: `${box.height}px`,
})
</script>

<template>
    <div ref="box" class="h-full overflow-auto p-3">
        <div class="relative" :style="{ width: `${graph.width}px`, height: `${graph.height}px` }" data-test="graph">
            <svg class="absolute inset-0" :width="graph.width" :height="graph.height" aria-hidden="true">
                <g v-for="line in graph.lines" :key="line.key">
                    <polyline
                        :points="line.points.map(({ x, y }) => `${x},${y}`).join(' ')"
                        fill="none"
                        class="stroke-edge"
                        :stroke-width="line.isWay ? 2 : 1"
                        :stroke-dasharray="line.isWay ? undefined : '3 3'"
                    />
                    <text
                        :x="line.at.x"
                        :y="line.at.y + 4"
                        text-anchor="middle"
                        class="fill-ink stroke-film text-tiny"
                        stroke-width="4"
                        paint-order="stroke"
                    >
                        {{ line.amount }}
                    </text>
                </g>
            </svg>
            <template v-for="node in graph.nodes" :key="node.key">
                <button
                    v-if="node.good"
                    type="button"
                    class="bg-paper absolute flex items-center gap-2 border px-2 text-left hover:underline"
                    :class="node.key === chosen ? 'border-ink border-2' : 'border-line'"
                    :style="place(node)"
                    :aria-current="node.key === chosen ? 'true' : undefined"
                    :title="node.good.id"
                    @click="$emit('choose', node.key)"
                >
                    <img
                        v-if="pictureOf(node.good)"
                        :src="pictureOf(node.good)!"
                        alt=""
                        class="pixels size-8 shrink-0 object-contain"
                    />
                    <span class="min-w-0">
                        <span class="text-small block truncate" :class="node.good.isYours ? 'font-bold' : ''">{{
                            node.good.title
                        }}</span>
                        <span class="text-tiny text-faint block truncate">
                            <span v-if="!node.good.after" class="text-madder" aria-hidden="true">▼ </span
                            >{{ costOf(node.good) }}
                        </span>
                    </span>
                </button>
                <button
                    v-else-if="node.recipe"
                    type="button"
                    class="border-edge bg-film absolute flex items-center gap-2 rounded-full border pr-3 text-left hover:underline"
                    :style="place(node)"
                    :title="`${node.recipe.path}: open it`"
                    @click="$emit('open', node.recipe.path)"
                >
                    <span
                        class="h-full w-3 shrink-0 rounded-l-full"
                        :class="node.recipe.isYours ? 'bg-ink' : 'hatch'"
                        aria-hidden="true"
                    ></span>
                    <span class="min-w-0">
                        <span class="text-tiny block truncate font-semibold">{{ node.recipe.station }}</span>
                        <span class="text-tiny text-faint block truncate">
                            {{ time(node.recipe.minutes) }}{{ node.recipe.isYours ? ', yours' : '' }}
                        </span>
                    </span>
                    <SeverityMark
                        v-if="worst(node.recipe.path)"
                        :severity="worst(node.recipe.path)!"
                        class="ml-auto shrink-0"
                    />
                </button>
            </template>
        </div>
        <p v-if="graph.isCut" class="text-faint text-small">
            There is more than fits here; press a good to go on from it.
        </p>
    </div>
</template>
