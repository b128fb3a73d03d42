<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Sibling } from '@/api/client'
import { asHex } from '@/shared/colour'
import { count } from '@/shared/words'
import { valueAt, type Field } from './schema'

/** What the base's entries have in the same field, with a plot that shows where yours lies. */
const props = defineProps<{ field: Field; siblings: readonly Sibling[]; value: unknown; isOwn: boolean }>()
defineEmits<{ take: [value: unknown] }>()

const own = computed(() => valueAt(props.value, props.field.pointer))
const values = computed(() =>
    [
        ...Map.groupBy(
            props.siblings
                .map((s) => ({ title: s.title, value: valueAt(s.value, props.field.pointer) }))
                .filter((s) => s.value !== undefined && typeof s.value !== 'object'),
            (s) => s.value,
        ),
    ]
        .map(([value, list]) => ({ value, titles: list.map((s) => s.title) }))
        .sort((a, b) =>
            typeof a.value === 'number' && typeof b.value === 'number'
                ? a.value - b.value
                : b.titles.length - a.titles.length,
        ),
)
/** A glance is enough; the rest is a press away. What is each entry's own only shows the manner. */
const isWhole = ref(false)
watch(
    () => props.field.pointer,
    () => (isWhole.value = false),
)
const listed = computed(() => (isWhole.value ? values.value : values.value.slice(0, props.isOwn ? 3 : 8)))
const numbers = computed(() =>
    values.value.flatMap((v) => (typeof v.value === 'number' ? v.titles.map(() => v.value as number) : [])),
)
const least = computed(
    () => props.field.minimum ?? Math.min(...numbers.value, typeof own.value === 'number' ? own.value : Infinity),
)
const most = computed(
    () => props.field.maximum ?? Math.max(...numbers.value, typeof own.value === 'number' ? own.value : -Infinity),
)
const at = (value: number) => 6 + ((value - least.value) / (most.value - least.value || 1)) * 228
</script>

<template>
    <div>
        <h2 class="font-bold">Beside it: {{ field.title.toLowerCase() }}</h2>
        <p class="text-faint text-small">What {{ siblings.length }} entries of the base have.</p>
        <svg
            v-if="numbers.length > 0"
            viewBox="0 0 240 34"
            class="mt-2 w-full"
            role="img"
            :aria-label="`From ${least} to ${most}; yours ${own ?? 'left out'}`"
        >
            <line x1="6" x2="234" y1="16" y2="16" class="stroke-line" />
            <circle
                v-for="(number, index) in numbers"
                :key="index"
                :cx="at(number)"
                cy="16"
                r="4"
                class="fill-faint"
                fill-opacity="0.35"
            />
            <path v-if="typeof own === 'number'" :d="`M${at(own)} 6l5 10-5 10-5-10z`" class="fill-saffron stroke-ink" />
            <text x="6" y="33" class="fill-faint text-tiny">{{ least }}</text>
            <text x="234" y="33" text-anchor="end" class="fill-faint text-tiny">{{ most }}</text>
        </svg>
        <ul class="mt-2">
            <li v-for="item in listed" :key="String(item.value)" class="border-line border-t py-1">
                <!-- What is each entry's alone is not there to be taken. -->
                <span v-if="isOwn" class="text-small font-mono">{{ item.value }}</span>
                <button
                    v-else
                    type="button"
                    class="word text-small font-mono"
                    :title="`Take ${String(item.value)}`"
                    @click="$emit('take', item.value)"
                >
                    <span
                        v-if="field.type === 'colour' && asHex(String(item.value))"
                        class="border-edge mr-1 inline-block size-3.5 border align-[-2px]"
                        :style="{ background: asHex(String(item.value))! }"
                        aria-hidden="true"
                    ></span
                    >{{ item.value }}
                </button>
                <span class="text-faint text-small ml-2">
                    {{ item.titles.slice(0, 3).join(', ')
                    }}{{ item.titles.length > 3 ? ` and ${item.titles.length - 3} more` : '' }}</span
                >
            </li>
        </ul>
        <button
            v-if="listed.length < values.length && !isOwn"
            type="button"
            class="word text-small"
            @click="isWhole = true"
        >
            {{ count(values.length - listed.length, 'more value') }}
        </button>
        <p v-if="values.length === 0" class="text-faint text-small mt-2">None of them has it.</p>
    </div>
</template>
