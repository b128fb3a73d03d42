<script setup lang="ts">
import { computed } from 'vue'
import type { ScaleSketch, Sibling } from '@/api/client'
import { rowOf } from './scale'

/** The entry as high and wide as it says, beside its siblings of the base. */
const props = defineProps<{ sketch: ScaleSketch; value: unknown; siblings: readonly Sibling[]; unit: string }>()
const row = computed(() => rowOf(props.sketch, props.value, props.siblings))
const own = computed(() => row.value?.find((one) => one.isOwn))
const last = computed(() => row.value?.at(-1))
const [wide, high] = [520, 120]
/** As large as both the width and the height of the drawing allow. */
const scale = computed(() =>
    row.value ? Math.min(wide / (last.value!.x + last.value!.width), high / last.value!.height) : 1,
)
const at = (x: number, height: number) => `translate(${x * scale.value} ${high - height * scale.value})`
</script>

<template>
    <section v-if="row && own" aria-label="To scale" data-test="scale">
        <svg
            :viewBox="`0 0 ${wide} ${high + 4}`"
            class="w-full"
            role="img"
            :aria-label="`${own.height} ${unit} high on a foot of ${own.foot}; beside it ${row
                .filter((one) => !one.isOwn)
                .map((one) => `${one.title}, ${one.height}`)
                .join('; ')}`"
        >
            <g v-for="one in row" :key="one.title" :transform="at(one.x + one.width / 2, one.height)">
                <polygon
                    :points="one.points"
                    :transform="`scale(${scale})`"
                    vector-effect="non-scaling-stroke"
                    :class="one.isOwn ? 'fill-saffron stroke-ink' : 'fill-line stroke-faint'"
                />
                <title>{{ one.title }}, {{ one.height }} {{ unit }} high, {{ one.foot }} wide at the foot</title>
            </g>
            <line x1="0" :x2="wide" :y1="high + 1" :y2="high + 1" class="stroke-line" />
        </svg>
        <p class="text-faint text-small">
            <span class="text-ink">This one</span>, {{ own.height }} {{ unit }} high, beside
            {{
                row
                    .filter((one) => !one.isOwn)
                    .map((one) => `${one.title.toLowerCase()} ${one.height}`)
                    .join(', ')
            }}.
        </p>
    </section>
</template>
