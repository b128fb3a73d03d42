<script setup lang="ts">
import type { Field } from './schema'
import { valueAt } from './schema'

/** The numbers that things of a type have, with their ranges, and what is set here. */
defineProps<{ type: string; fields: readonly Field[]; value: unknown; inForce: string }>()
const range = ({ minimum, maximum, unit }: Field) =>
    [
        minimum !== undefined && maximum !== undefined
            ? `${minimum} to ${maximum}`
            : (minimum ?? maximum) === undefined
              ? 'any'
              : minimum !== undefined
                ? `from ${minimum}`
                : `to ${maximum}`,
        unit,
    ].join(' ')
</script>

<template>
    <section class="mb-5" data-test="parameters">
        <h2 class="font-bold">Parameters of {{ type }}</h2>
        <table class="text-small mt-1 w-full">
            <thead>
                <tr class="text-faint text-left">
                    <th class="font-normal">Name</th>
                    <th class="font-normal">Range</th>
                    <th class="pr-2 text-right font-normal">Usual</th>
                    <th class="text-right font-normal">Here</th>
                </tr>
            </thead>
            <tbody>
                <tr
                    v-for="field in fields"
                    :key="field.pointer"
                    class="border-line border-t align-top"
                    :class="field.pointer === inForce ? 'font-bold' : ''"
                >
                    <th class="py-1 pr-2 text-left" :class="field.pointer === inForce ? '' : 'font-normal'" scope="row">
                        {{ field.title }}
                    </th>
                    <td class="py-1 pr-2">{{ range(field) }}</td>
                    <td class="py-1 pr-2 text-right font-mono">{{ field.default ?? '' }}</td>
                    <td class="py-1 text-right font-mono">{{ valueAt(value, field.pointer) ?? '·' }}</td>
                </tr>
            </tbody>
        </table>
    </section>
</template>
