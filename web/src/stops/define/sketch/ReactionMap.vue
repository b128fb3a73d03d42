<script setup lang="ts">
import { computed, ref } from 'vue'
import type { MapSketch } from '@/api/client'
import { mapOf, mostAsked } from './map'

/** Which row is the first that fits, over a number and a state. */
const props = defineProps<{ sketch: MapSketch; value: unknown }>()
defineEmits<{ look: [pointer: string] }>()
const most = computed(() => mostAsked(props.sketch, props.value))
const asked = ref<number | null>(null)
const soak = computed(() => asked.value ?? most.value)
const map = computed(() => mapOf(props.sketch, props.value, soak.value))
const [left, width, band] = [90, 450, 44]
const x = (number: number) => left + ((number - map.value!.least) / (map.value!.most - map.value!.least || 1)) * width
const y = (state: string) => props.sketch.states.indexOf(state) * band
const words = (name: string) => name.replaceAll('_', ' ')
</script>

<template>
    <section v-if="map" aria-label="What is given where" data-test="map-of-rows">
        <svg
            :viewBox="`0 0 560 ${sketch.states.length * band + 20}`"
            class="w-full"
            role="img"
            :aria-label="
                map.spans.map((s) => `${s.says} from ${s.from} to ${s.to}, ${s.state}`).join('; ') ||
                'Nothing is given.'
            "
        >
            <g v-for="state in sketch.states" :key="state">
                <text x="0" :y="y(state) + 26" class="fill-ink text-small">{{ state }}</text>
                <rect :x="left" :y="y(state) + 2" :width="width" :height="band - 6" class="stroke-line fill-none" />
            </g>
            <g v-for="span in map.spans" :key="`${span.row} ${span.state} ${span.from}`">
                <rect
                    :x="x(span.from)"
                    :y="y(span.state) + 2"
                    :width="Math.max(2, x(span.to) - x(span.from))"
                    :height="band - 6"
                    class="fill-malachite/20 stroke-malachite"
                />
                <text
                    :x="(x(span.from) + x(span.to)) / 2"
                    :y="y(span.state) + 26"
                    text-anchor="middle"
                    class="fill-ink text-small"
                >
                    {{ span.row + 1 }} {{ span.says }}
                </text>
            </g>
            <text
                v-for="gap in map.gaps"
                :key="`${gap.state} ${gap.from}`"
                :x="(x(gap.from) + x(gap.to)) / 2"
                :y="y(gap.state) + 26"
                text-anchor="middle"
                class="fill-faint text-tiny"
            >
                nothing
            </text>
            <text :x="left" :y="sketch.states.length * band + 14" class="fill-faint text-tiny">{{ map.least }}</text>
            <text
                :x="left + width"
                :y="sketch.states.length * band + 14"
                text-anchor="end"
                class="fill-faint text-tiny"
            >
                {{ map.most }}
            </text>
        </svg>
        <label v-if="most > 0" class="text-small flex items-center gap-3">
            {{ words(sketch.least) }} {{ soak }}
            <input
                type="range"
                class="grow accent-(--ink)"
                min="0"
                :max="most * 2"
                :value="soak"
                @input="asked = Number(($event.target as HTMLInputElement).value)"
            />
        </label>
    </section>
</template>
