<script setup lang="ts">
import { ArrowDownIcon, ArrowUpIcon, Bars2Icon } from '@heroicons/vue/24/outline'
import { computed, nextTick, ref } from 'vue'
import { count } from '@/shared/words'
import EntryField from './EntryField.vue'
import ExampleMenu from './ExampleMenu.vue'
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
const isPlain = computed(() => props.field.each!.type !== 'object')

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
                class="border-line"
                :class="[
                    isPlain ? 'border-l-2 pl-4' : '',
                    drag.over.value === index && drag.dragged.value !== index ? 'outline-lake outline-2' : '',
                ]"
                v-on="drag.row(index)"
            >
                <div class="flex items-start gap-3">
                    <div class="min-w-0 grow">
                        <EntryField
                            :field="isPlain ? item : { ...item, title: `${index + 1}`, help: '' }"
                            :value="value"
                            :faults="faults"
                            :choices="choices"
                            :pack="pack"
                            @set="(p, v) => $emit('set', p, v)"
                            @look="$emit('look', $event)"
                        />
                        <p
                            v-for="fault in isPlain ? [] : faultsAt(item.pointer)"
                            :key="fault.says"
                            class="text-small"
                            role="alert"
                        >
                            <span class="text-madder" aria-hidden="true">▼ </span>{{ fault.says }}.
                        </p>
                    </div>
                    <div class="flex shrink-0 items-center gap-1">
                        <span
                            v-if="items.length > 1"
                            draggable="true"
                            class="flex size-6 cursor-grab items-center justify-center"
                            title="Drag to move it"
                            aria-hidden="true"
                            data-test="drag"
                            v-on="drag.handle(index)"
                            ><Bars2Icon class="size-4"
                        /></span>
                        <button
                            type="button"
                            class="press"
                            :disabled="index === 0"
                            :aria-label="`Move number ${index + 1} up`"
                            title="Move up"
                            @click="move(index, -1)"
                        >
                            <ArrowUpIcon class="size-4" aria-hidden="true" />
                        </button>
                        <button
                            type="button"
                            class="press"
                            :disabled="index === items.length - 1"
                            :aria-label="`Move number ${index + 1} down`"
                            title="Move down"
                            @click="move(index, 1)"
                        >
                            <ArrowDownIcon class="size-4" aria-hidden="true" />
                        </button>
                        <button type="button" class="word text-small ml-1" @click="remove(index)">
                            Take out<span class="sr-only"> number {{ index + 1 }}</span>
                        </button>
                    </div>
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
