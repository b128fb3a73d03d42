<script setup lang="ts">
import { computed } from 'vue'
import type { EntryView, FaultView } from '@/api/client'
import { count } from '@/shared/words'
import ColourMap from './ColourMap.vue'
import EntryField from './EntryField.vue'
import { fieldsOf, valueAt, valueKindOf, type Field } from './schema'
import GroundMap from './sketch/GroundMap.vue'
import PealGrid from './sketch/PealGrid.vue'
import ReactionMap from './sketch/ReactionMap.vue'
import ScaleRow from './sketch/ScaleRow.vue'
import { sentenceOf } from './sketch/recipe'
import { useHeard } from './sketch/useHeard'
import { provideTaken } from './taken'

/** The fields of an entry, those that it has to have first. */
const props = defineProps<{ pack: string; entry: EntryView; value: unknown; faults: readonly FaultView[] }>()
defineEmits<{ set: [pointer: string, value: unknown]; look: [pointer: string]; save: [] }>()
provideTaken(() => props.entry.taken)
const heardAt = useHeard(
    () => props.pack,
    () => props.entry,
)

const sentence = computed(
    () => props.entry.sketch.recipe && sentenceOf(props.entry.sketch.recipe, props.value, props.entry.choices),
)
const claimName = (code: string) =>
    props.entry.choices[`${props.entry.sketch.grid?.field}/*`]?.find(({ value }) => value === code)?.name || code
/** With what it has from others: it stands as high as one that says so itself. */
const whole = computed(() =>
    Object.assign({}, ...props.entry.taken.map(({ pointer, value }) => ({ [pointer.slice(1)]: value })), props.value),
)
const valueKind = computed(() => valueKindOf(props.entry.schema))
/** Fields that are needed, own or taken over: without an entry to take over from they are required. */
const needed = computed(() => {
    const { inherits } = props.entry
    return inherits && valueAt(props.value, inherits.by) === undefined ? inherits.required : []
})
const fields = computed(() =>
    fieldsOf(props.entry.schema)
        .map((field) => (needed.value.includes(field.pointer) ? { ...field, isRequired: true } : field))
        .sort((a, b) => Number(b.isRequired) - Number(a.isRequired)),
)
/** Fields of which the host’s makers say no more than a name: out of the way until they are set. */
const isPlain = (field: Field) => field.type === 'other' && valueAt(props.value, field.pointer) === undefined
const main = computed(() => fields.value.filter((field) => !isPlain(field)))
/** By meaning, as the kind names them; in each, those that it has to have first. */
const groups = computed(() => [...Map.groupBy(main.value, ({ group }) => group)])
const further = computed(() => fields.value.filter(isPlain))
</script>

<template>
    <form
        class="min-h-0 grow overflow-y-auto px-6 py-4"
        :aria-label="`${entry.title}, as a form`"
        @submit.prevent="$emit('save')"
    >
        <div class="flex max-w-[560px] flex-col gap-4">
            <p v-if="sentence" data-test="sentence">{{ sentence }}</p>
            <ScaleRow
                v-if="entry.sketch.scale"
                :sketch="entry.sketch.scale"
                :value="whole"
                :siblings="entry.siblings"
                :unit="fields.find(({ pointer }) => pointer === entry.sketch.scale!.height)?.unit ?? ''"
            />
            <PealGrid
                v-if="entry.sketch.grid"
                :sketch="entry.sketch.grid"
                :value="value"
                :heard-at="heardAt"
                :claim-name="claimName"
                @set="(p, v) => $emit('set', p, v)"
            />
            <ReactionMap v-if="entry.sketch.map" :sketch="entry.sketch.map" :value="value" />
            <GroundMap
                v-if="entry.sketch.ground"
                :sketch="entry.sketch.ground"
                :value="value"
                @set="(p, v) => $emit('set', p, v)"
            />
            <ColourMap
                v-if="valueKind"
                :kind="valueKind"
                :value="value"
                :keys="entry.keys"
                :faults="faults"
                @set="(p, v) => $emit('set', p, v)"
            />
            <template v-for="[group, members] in groups" :key="group">
                <h3 v-if="group" class="border-line text-large border-t pt-3 font-bold">{{ group }}</h3>
                <EntryField
                    v-for="field in members"
                    :key="field.pointer"
                    v-bind="{ pack, field, value, faults, choices: entry.choices }"
                    @set="(p, v) => $emit('set', p, v)"
                    @look="$emit('look', $event)"
                />
            </template>
            <details v-if="further.length > 0">
                <summary class="text-lake font-semibold">
                    {{ count(further.length, 'further field') }}
                </summary>
                <div class="mt-3 flex flex-col gap-4">
                    <EntryField
                        v-for="field in further"
                        :key="field.pointer"
                        v-bind="{ pack, field, value, faults, choices: entry.choices }"
                        @set="(p, v) => $emit('set', p, v)"
                        @look="$emit('look', $event)"
                    />
                </div>
            </details>
        </div>
    </form>
</template>
