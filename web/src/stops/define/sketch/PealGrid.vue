<script setup lang="ts">
import { computed } from 'vue'
import type { GridSketch } from '@/api/client'
import UnclaimedOffer from './UnclaimedOffer.vue'
import { answered, gridOf, inEveryState, unclaimed, type GridRow } from './grid'
import { usePeal } from './usePeal'

/** What answers each code in each state: required first, what is not answered marked, an empty one filled by a press. */
const props = defineProps<{
    sketch: GridSketch
    value: unknown
    /** Where a sound can be heard; null where it is not there. */
    heardAt: (sound: string) => string | null
    /** What a claim is called. */
    claimName: (code: string) => string
}>()
const emit = defineEmits<{ set: [pointer: string, value: unknown] }>()
const rows = computed(() => gridOf(props.sketch, props.value))
const isWhole = (row: GridRow) => row.cells.every((cell) => cell.row >= 0)
const isBegun = (row: GridRow) => row.cells.some((cell) => cell.row >= 0)
const { ringing, ring } = usePeal()
const answer = (code: string, state: string) =>
    emit('set', props.sketch.rows, answered(props.sketch, props.value, code, state))
const fill = (code: string) => emit('set', props.sketch.rows, inEveryState(props.sketch, props.value, code))
</script>

<template>
    <section aria-label="What answers what" data-test="grid">
        <table class="text-small w-full border-collapse">
            <thead>
                <tr class="border-line border-b text-left">
                    <th class="py-1 pr-3 font-semibold capitalize">{{ sketch.code }}</th>
                    <th v-for="state in sketch.states" :key="state" class="py-1 pr-3 font-semibold">{{ state }}</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="row in rows" :key="row.code" class="border-line border-b align-top">
                    <th class="py-1 pr-3 text-left font-normal" scope="row" :title="row.code">
                        {{ row.name }}
                        <span class="text-faint text-tiny block">
                            {{ row.isRequired ? 'required' : row.isLoose ? 'of nothing that is claimed' : 'optional' }}
                            <button
                                v-if="isBegun(row) && !isWhole(row)"
                                type="button"
                                class="word ml-1"
                                @click="fill(row.code)"
                            >
                                In every {{ sketch.when }}
                            </button>
                        </span>
                    </th>
                    <td v-for="cell in row.cells" :key="cell.state" class="py-1 pr-3">
                        <span v-for="says in cell.says" :key="says" class="block whitespace-nowrap">{{ says }}</span>
                        <button
                            v-if="cell.strokes.some((stroke) => heardAt(stroke.sound))"
                            type="button"
                            class="word text-tiny"
                            :aria-pressed="ringing === `${row.code} ${cell.state}`"
                            :aria-label="`Ring ${row.name} for ${cell.state}`"
                            @click="ring(`${row.code} ${cell.state}`, cell.strokes, heardAt)"
                        >
                            {{ ringing === `${row.code} ${cell.state}` ? 'Stop' : 'Ring' }}
                        </button>
                        <button
                            v-if="cell.row < 0"
                            type="button"
                            class="word"
                            :aria-label="`Add ${row.name} for ${cell.state}`"
                            @click="answer(row.code, cell.state)"
                        >
                            <span v-if="row.isRequired" class="text-madder" aria-hidden="true">▼ </span>Add
                        </button>
                    </td>
                </tr>
            </tbody>
        </table>
        <p v-if="rows.length === 0" class="text-faint text-small">Nothing is claimed yet, so nothing is asked for.</p>
        <UnclaimedOffer
            :codes="unclaimed(sketch, value)"
            :field="sketch.field"
            :value="value"
            :name-of="claimName"
            @set="(p, v) => $emit('set', p, v)"
        />
    </section>
</template>
