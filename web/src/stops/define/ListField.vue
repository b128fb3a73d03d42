<script setup lang="ts">
import { ArrowDownIcon, ArrowUpIcon } from '@heroicons/vue/24/outline'
import { computed, nextTick, ref } from 'vue'
import { count } from '@/shared/words'
import EntryField from './EntryField.vue'
import TakenValue from './TakenValue.vue'
import { fieldOf, newItem, valueAt, type FieldProps } from './schema'

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

function add() {
    emit('set', props.field.pointer, [...list.value, newItem(props.field.each!)])
    focus(list.value.length)
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
    <section ref="box" :aria-label="field.title" data-test="list" @focusin="$emit('look', field.pointer)">
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
                :class="isPlain ? 'border-l-2 pl-4' : ''"
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
        <button type="button" class="press mt-2" data-test="add-item" @click="add">
            Add to {{ field.title.toLowerCase() }}
        </button>
    </section>
</template>
