<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { count } from '@/shared/words'
import EntryField from './EntryField.vue'
import ExampleMenu from './ExampleMenu.vue'
import ItemTools from './ItemTools.vue'
import OneOfFields from './OneOfFields.vue'
import TakenValue from './TakenValue.vue'
import { useGiven } from './given'
import { fieldOf, newItem, valueAt, type Example, type FieldProps } from './schema'
import { useDragOrder } from './useDragOrder'

/** The items of a list in their order: added, taken out and moved by mouse and by key. */
const props = defineProps<FieldProps>()
const emit = defineEmits<{ set: [pointer: string, value: unknown]; look: [pointer: string] }>()

const box = ref<HTMLElement>()
const own = computed(() => valueAt(props.value, props.field.pointer))
const list = computed(() => (Array.isArray(own.value) ? (own.value as unknown[]) : []))
const items = computed(() =>
    list.value.map((_, index) => ({
        ...fieldOf(String(index), props.field.each!, props.field.pointer, true),
        title: `${props.field.title}, number ${index + 1}`,
    })),
)
const faultsAt = (pointer: string) => props.faults.filter((fault) => fault.pointer === pointer)

const given = useGiven()

function add(item: unknown = newItem(props.field.each!)) {
    emit('set', props.field.pointer, [...list.value, item])
    focus(list.value.length)
}
/** What of an example is only there to hold its place is marked to be set. */
function insert({ value, fill }: Example) {
    const at = `${props.field.pointer}/${list.value.length}`
    add(structuredClone(value))
    given.markLater(Object.fromEntries(fill.map((pointer) => [at + pointer, valueAt(value, pointer)])))
}
function remove(index: number) {
    emit('set', props.field.pointer, list.value.toSpliced(index, 1))
    focus(Math.min(index, list.value.length - 2))
}
function move(index: number, by: number) {
    const moved = list.value.toSpliced(index, 1).toSpliced(index + by, 0, list.value[index])
    emit('set', props.field.pointer, moved)
    focus(index + by)
}
const drag = useDragOrder((from, to) => move(from, to - from))
/** The item is where the author goes on. */
async function focus(index: number) {
    await nextTick()
    box.value
        ?.querySelectorAll<HTMLElement>(':scope > ol > li')
        [index]?.querySelector<HTMLElement>('input, select')
        ?.focus()
}
</script>

<template>
    <section ref="box" :aria-label="field.title" data-test="list" @focusin.stop="$emit('look', field.pointer)">
        <h3 class="font-semibold">
            {{ field.title }}
            <span class="text-faint text-small font-normal">{{ count(list.length, 'item') }}</span>
        </h3>
        <p v-if="field.help" class="text-faint text-small">{{ field.help }}</p>
        <p v-for="fault in faultsAt(field.pointer)" :key="fault.says" class="text-small" role="alert">
            <span class="text-madder" aria-hidden="true">▼ </span>{{ fault.says }}.
        </p>
        <TakenValue v-if="own === undefined" :pointer="field.pointer" @set="$emit('set', field.pointer, $event)" />
        <ol class="mt-2 flex flex-col gap-3">
            <li
                v-for="(item, index) in items"
                :key="index"
                class="border-line border-l-2 pl-4"
                :class="drag.over.value === index && drag.dragged.value !== index ? 'outline-lake outline-2' : ''"
                v-on="drag.row(index)"
            >
                <!-- What has fields of its own needs the whole width: its tools stand above them. -->
                <fieldset v-if="item.type === 'object'">
                    <legend class="sr-only">{{ item.title }}</legend>
                    <div class="flex items-center justify-between gap-3 pb-1">
                        <span class="font-semibold" aria-hidden="true">{{ index + 1 }}</span>
                        <ItemTools
                            v-bind="{ index, number: items.length, drag }"
                            @move="move(index, $event)"
                            @remove="remove(index)"
                        />
                    </div>
                    <OneOfFields
                        v-bind="{ field: item, value, faults, choices, pack }"
                        @set="(p, v) => $emit('set', p, v)"
                        @look="$emit('look', $event)"
                    />
                    <p v-for="fault in faultsAt(item.pointer)" :key="fault.says" class="text-small" role="alert">
                        <span class="text-madder" aria-hidden="true">▼ </span>{{ fault.says }}.
                    </p>
                </fieldset>
                <div v-else class="flex items-start gap-3">
                    <EntryField
                        class="min-w-0 grow"
                        v-bind="{ field: item, value, faults, choices, pack }"
                        @set="(p, v) => $emit('set', p, v)"
                        @look="$emit('look', $event)"
                    />
                    <ItemTools
                        v-bind="{ index, number: items.length, drag }"
                        @move="move(index, $event)"
                        @remove="remove(index)"
                    />
                </div>
            </li>
        </ol>
        <div class="mt-2 flex gap-3">
            <button type="button" class="press" data-test="add-item" @click="add()">
                Add to {{ field.title.toLowerCase() }}
            </button>
            <ExampleMenu v-if="field.examples.length > 0" :examples="field.examples" @insert="insert" />
        </div>
    </section>
</template>
