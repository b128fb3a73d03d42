<script setup lang="ts">
import { computed } from 'vue'
import type { GroundSketch } from '@/api/client'
import UnclaimedOffer from './UnclaimedOffer.vue'
import { groundOf } from './ground'

/** Points and lanes to scale: what can be walked to from the gate, and whether what is claimed is met. */
const props = defineProps<{ sketch: GroundSketch; value: unknown }>()
defineEmits<{ set: [pointer: string, value: unknown] }>()
const map = computed(() => groundOf(props.sketch, props.value))
const seen = computed(() => `${map.value.box.x} ${map.value.box.y} ${map.value.box.width} ${map.value.box.height}`)
</script>

<template>
    <section aria-label="The ground" data-test="ground">
        <svg
            :viewBox="seen"
            class="border-line bg-paper max-h-72 w-full border"
            role="img"
            aria-label="Points and lanes; below is what is met."
        >
            <line
                v-for="(lane, index) in map.lanes"
                :key="index"
                :x1="lane.from.x"
                :y1="lane.from.y"
                :x2="lane.to.x"
                :y2="lane.to.y"
                :class="lane.isWide ? 'stroke-line' : 'stroke-madder'"
                :stroke-width="lane.isWide ? Math.max(0.6, Math.min(lane.width, 3)) * 0.6 : 0.3"
                :stroke-dasharray="lane.isWide ? undefined : '0.8 0.8'"
            />
            <g v-for="point in map.points" :key="point.id">
                <circle
                    :cx="point.x"
                    :cy="point.y"
                    r="0.9"
                    :class="point.isReached ? 'fill-ink stroke-ink' : 'fill-paper stroke-madder'"
                    stroke-width="0.25"
                />
                <text :x="point.x + 0.9" :y="point.y - 1.3" font-size="1.7" class="fill-ink">
                    {{ point.id.replaceAll('_', ' ') }}
                </text>
            </g>
        </svg>
        <ul class="text-small mt-1">
            <li v-for="claim in map.claims" :key="claim.name">
                {{ claim.name }}:
                <span v-for="(need, index) in claim.needs" :key="need.kind"
                    >{{ index > 0 ? ', ' : '' }}{{ need.kind.replaceAll('_', ' ') }}
                    <span v-if="need.state === 'reached'" class="text-faint">reached</span
                    ><span v-else
                        ><span class="text-madder" aria-hidden="true">▼ </span
                        >{{
                            need.state === 'missing'
                                ? 'there is none'
                                : `no way at least ${sketch.leastWidth} m wide leads there`
                        }}</span
                    ></span
                ><span v-if="claim.needs.length === 0" class="text-faint">needs nothing</span>
            </li>
        </ul>
        <UnclaimedOffer
            :codes="map.unclaimed"
            :field="sketch.field"
            :value="value"
            :name-of="(code) => sketch.claims.find((claim) => claim.code === code)?.name || code"
            @set="(p, v) => $emit('set', p, v)"
        />
    </section>
</template>
