<script setup lang="ts">
import { computed } from 'vue'
import type { EntryView } from '@/api/client'
import BesideIt from './BesideIt.vue'
import CompareWith from './CompareWith.vue'
import EntryTies from './EntryTies.vue'
import FromBase from './FromBase.vue'
import LaterMark from './LaterMark.vue'
import ParameterTable from './ParameterTable.vue'
import { fieldsIn, holderOf, parametersAt, typeAt } from './parameters'
import { fieldsOf, flat, pathOf, valueAt } from './schema'
import type { useLater } from './useLater'

/** What is known of an entry and of the field in force, beside its form or text. */
const props = defineProps<{
    pack: string
    entry: EntryView
    value: unknown
    /** Pointer to the field in force; empty until there is one. */
    inForce: string
    isJson: boolean
    later: ReturnType<typeof useLater>
    save: () => Promise<unknown>
}>()
defineEmits<{ set: [pointer: string, value: unknown] }>()

/** Fields that hold one value, of which the base's entries have others. */
const single = computed(() => flat(fieldsOf(props.entry.schema)).filter((field) => !field.each))
/** Until a field is in force, the first that others may have alike: an id is each entry’s own. */
const shown = computed(
    () =>
        single.value.find((f) => f.pointer === props.inForce) ??
        single.value.find((f) => !props.entry.own.includes(f.pointer)) ??
        single.value[0],
)
/** The numbers of the type that the field in force belongs to. */
const table = computed(() => {
    const holder = holderOf(props.entry.parameters, props.inForce)
    if (holder === null) return null
    const object = valueAt(props.value, holder)
    const named = typeAt(props.entry.parameters, holder, object)
    return named && { type: named.type, fields: parametersAt(props.entry.parameters, holder, object) }
})
/** The field in force, wherever it stands. */
const asked = computed(() => {
    if (!props.inForce || valueAt(props.value, props.inForce) === undefined) return null
    const steps = pathOf(props.inForce)
    return fieldsIn(props.entry, props.value, steps.slice(0, -1)).find(({ name }) => name === steps.at(-1)) ?? null
})
</script>

<template>
    <ParameterTable v-if="table" v-bind="table" :value="value" :in-force="inForce" />
    <BesideIt
        v-else-if="shown && entry.siblings.length > 0"
        :field="shown"
        :siblings="entry.siblings"
        :is-own="entry.own.includes(shown.pointer)"
        :value="value"
        @take="$emit('set', shown.pointer, $event)"
    />
    <section v-if="entry.hash && isJson && value !== null" class="mt-5 flex flex-col gap-1" data-test="later-marks">
        <LaterMark
            v-if="asked"
            :of="`${asked.title} is still to be set`"
            :is-later="later.isLater(inForce)"
            @set="later.send({ [inForce]: valueAt(value, inForce) }, $event)"
        />
        <LaterMark
            of="All of it is still to be finished"
            :is-later="later.isLater('')"
            @set="later.send({ '': null }, $event)"
        />
    </section>
    <FromBase
        v-if="entry.hash && entry.below && isJson"
        :below="entry.below"
        :value="value"
        @set="(p, v) => $emit('set', p, v)"
    />
    <CompareWith v-if="isJson && value !== null" v-bind="{ pack, entry, value, save }" />
    <EntryTies :pack="pack" :path="entry.path" />
</template>
