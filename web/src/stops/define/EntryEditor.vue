<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { EntryView } from '@/api/client'
import { isConnected } from '@/api/events'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import PathText from '@/shared/parts/PathText.vue'
import EntryAside from './EntryAside.vue'
import EntryForm from './EntryForm.vue'
import EntryNames from './EntryNames.vue'
import JsonEditor from './JsonEditor.vue'
import { useTyped } from '@/shared/typed'
import { provideGiven } from './given'
import { fieldsOf, flat, isTold, valueKindOf } from './schema'
import { sheetOf } from './table/lines'
import TableGrid from './table/TableGrid.vue'
import { useEntryText } from './useEntryText'
import { useLater } from './useLater'

/** Form and text of one entry, in step. */
const props = defineProps<{ pack: string; entry: EntryView }>()
const asked = useQueryValue('tab', 'form')
const isJson = computed(() => props.entry.language === 'json')
/** What there is beside the text: a form of JSON, rows and columns of a table. */
const other = computed(() => (props.entry.table ? 'Table' : isJson.value ? 'Form' : null))
const tab = computed({ get: () => (other.value ? asked.value : 'text'), set: (now) => (asked.value = now) })
const editing = useEntryText(
    () => props.pack,
    () => props.entry,
)
const { text, value, read, faults, isDirty, isSound, isChangedElsewhere, isBusy } = editing
const sheet = computed(() => props.entry.table && tab.value === 'form' && sheetOf(text.value, props.entry.table))
const valueKind = computed(() => valueKindOf(props.entry.schema))
const fields = computed(() => fieldsOf(props.entry.schema))
const inForce = ref('')
const loose = computed(() =>
    faults.value.filter(
        (fault) =>
            tab.value === 'text' || (!valueKind.value && !flat(fields.value).some((f) => isTold(f, fault.pointer))),
    ),
)

useEventListener(window, 'keydown', (event) => {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 's') {
        event.preventDefault()
        if (isDirty.value) void editing.save(true)
    }
})
/** Saves what was typed, where something was. */
const settle = async () => isDirty.value && (await editing.save(true))
const later = useLater(
    () => props.pack,
    () => props.entry,
    value,
)
provideGiven({
    parameters: () => props.entry.parameters,
    isLater: later.isLater,
    async markLater(values) {
        // One of the base's is the pack's only once it is saved.
        if (!props.entry.hash) await settle()
        await later.send(values, true)
    },
})
useTyped(() => isDirty.value, {
    title: props.entry.title,
    takeBack() {
        const typed = text.value
        editing.discard()
        return () => (text.value = typed)
    },
})
/** Where what was typed is. */
const state = computed(() => {
    if (isChangedElsewhere.value) return 'kept in this browser'
    if (!isDirty.value) return props.entry.hash ? 'saved' : 'from the base'
    if (!isConnected.value) return 'kept in this browser; saved when Underlay answers'
    return isSound.value ? 'saving …' : 'kept; saved when it is sound, or when you leave it'
})
const heading = ref<HTMLElement>()
defineExpose({ focus: () => heading.value?.focus() })
</script>

<template>
    <div class="flex min-h-0 max-[1000px]:flex-col">
        <div class="flex min-h-0 min-w-0 grow flex-col">
            <div class="border-line flex flex-wrap items-center gap-x-5 gap-y-2 border-b px-6 py-3">
                <div class="max-w-[320px] min-w-0">
                    <h2 ref="heading" class="text-large truncate leading-6 font-bold" tabindex="-1">
                        {{ entry.title }}
                        <span class="text-faint text-base font-normal">{{
                            entry.title === entry.kindTitle ? '' : entry.kindTitle
                        }}</span>
                    </h2>
                    <PathText :path="entry.path" />
                    <EntryNames :pack="pack" :entry="entry" :save="settle" />
                </div>
                <div v-if="other" class="flex gap-1" role="tablist" aria-label="How to edit">
                    <button
                        v-for="[key, word] in [
                            ['form', other],
                            ['text', 'Text'],
                        ]"
                        :key="key"
                        type="button"
                        role="tab"
                        class="press"
                        :class="tab === key ? 'press-main' : ''"
                        :aria-selected="tab === key"
                        @click="tab = key!"
                    >
                        {{ word }}
                    </button>
                </div>
                <div class="ml-auto flex items-center gap-3">
                    <span class="text-faint text-small" role="status" data-test="save-state">{{ state }}</span>
                    <button type="button" class="press" :disabled="!isDirty" @click="editing.discard()">Discard</button>
                    <button
                        type="button"
                        class="press press-main"
                        :disabled="!isDirty || isBusy"
                        data-test="save"
                        @click="editing.save(true)"
                    >
                        Save
                    </button>
                </div>
            </div>
            <p v-if="isChangedElsewhere" class="border-line bg-paper border-b px-6 py-2" role="alert">
                This entry was changed in another page while you edited it. What you typed is still here:
                <button type="button" class="word" @click="editing.discard()">Take the other page’s</button>
                <button type="button" class="word ml-3" @click="editing.keepMine()">Keep mine</button>
            </p>
            <div v-if="loose.length > 0" class="border-line border-b px-6 py-2" role="alert">
                <ul>
                    <li v-for="fault in loose" :key="fault.pointer + fault.says" class="text-small">
                        <span class="text-madder" aria-hidden="true">▼ </span
                        ><template v-if="fault.line">Line {{ fault.line }}, column {{ fault.column }}: </template
                        >{{ fault.line && fault.pointer ? `${fault.pointer.slice(1)}: ` : '' }}{{ fault.says }}.
                    </li>
                </ul>
            </div>
            <div v-if="tab === 'text'" class="min-h-0 grow">
                <JsonEditor v-model="text" :is-json="isJson" :faults="faults" :known="entry" />
            </div>
            <TableGrid v-else-if="sheet" v-bind="{ sheet, table: entry.table! }" @write="text = $event" />
            <div v-else-if="entry.table || read.value === null" class="px-6 py-8">
                <p>
                    {{
                        entry.table
                            ? `The text cannot be read as a table with a column ${entry.table.key}.`
                            : 'The text is no JSON that could be shown as a form.'
                    }}
                    Mend it
                    <button type="button" class="word" @click="tab = 'text'">as text</button> first.
                </p>
            </div>
            <template v-else>
                <p v-if="value === null" class="border-line border-b px-6 py-2" data-test="up-to">
                    The text cannot be read from line {{ read.brokenAt }} on. Shown is what stands before it: mend it
                    <button type="button" class="word" @click="tab = 'text'">as text</button> first.
                </p>
                <EntryForm
                    v-bind="{ pack, entry, faults }"
                    :value="read.value"
                    :inert="value === null"
                    @set="editing.set"
                    @look="inForce = $event"
                    @save="editing.save(true)"
                />
            </template>
        </div>
        <aside
            v-if="!entry.table"
            class="border-line w-[290px] shrink-0 overflow-y-auto border-l px-5 py-4"
            :class="'max-[1000px]:max-h-[34%] max-[1000px]:w-full max-[1000px]:border-t max-[1000px]:border-l-0'"
            aria-label="Beside it"
        >
            <EntryAside v-bind="{ pack, entry, value, inForce, isJson, later, save: settle }" @set="editing.set" />
        </aside>
    </div>
</template>
