<script setup lang="ts">
import {
    Combobox,
    ComboboxButton,
    ComboboxInput,
    ComboboxLabel,
    ComboboxOption,
    ComboboxOptions,
} from '@headlessui/vue'
import { ChevronUpDownIcon } from '@heroicons/vue/24/outline'
import { computed, ref } from 'vue'
import { pictureUrl, type Choice } from '@/api/client'
import { usePack } from '@/shared/composables/usePack'
import { whole } from '@/shared/words'
import { found, nameOf } from './picks'

/** One of many: found by code, name or group as it is typed, or chosen from the list. */
const props = defineProps<{
    pack: string
    id: string
    label: string
    choices: readonly Choice[]
    modelValue: string
    isRequired: boolean
    describedBy: string
    isWrong: boolean
}>()
defineEmits<{ 'update:modelValue': [value: string] }>()

// More than anybody reads; what is typed leaves fewer.
const most = 100
const words = ref('')
const fitting = computed(() => found(props.choices, words.value))
const shown = computed(() => fitting.value.slice(0, most))
const choiceOf = (value: unknown) => props.choices.find((choice) => choice.value === value)
const says = (value: unknown) => {
    const chosen = choiceOf(value)
    return chosen ? nameOf(chosen) : value ? `${String(value)} (does not exist)` : ''
}
const { data: detail } = usePack(() => props.pack)
const pictureOf = (choice?: Choice) =>
    choice?.picture && detail.value ? pictureUrl(props.pack, detail.value.summary, choice.picture) : null
/** What is chosen, as it looks; nothing while something else is typed. */
const seen = computed(() => (words.value === '' ? pictureOf(choiceOf(props.modelValue)) : null))
</script>

<template>
    <Combobox
        :model-value="modelValue"
        as="div"
        class="relative w-full"
        @update:model-value="$emit('update:modelValue', $event as string)"
    >
        <!-- The part that is typed into is known by this, and not by the label around it. -->
        <ComboboxLabel class="sr-only">{{ label }}</ComboboxLabel>
        <ComboboxInput
            :id="id"
            class="field pr-9"
            :class="seen ? 'pl-11' : ''"
            :display-value="says"
            :placeholder="isRequired ? 'choose, or type to find …' : 'left out; type to find …'"
            :aria-describedby="describedBy"
            :aria-invalid="isWrong"
            autocomplete="off"
            spellcheck="false"
            @change="words = $event.target.value"
            @focus="$event.target.select()"
            @blur="words = ''"
        />
        <img
            v-if="seen"
            :src="seen"
            alt=""
            class="pointer-events-none absolute top-1/2 left-2 size-7 -translate-y-1/2 object-contain"
        />
        <ComboboxButton class="absolute inset-y-0 right-0 flex w-9 items-center justify-center" @click="words = ''">
            <span class="sr-only">All of them</span>
            <ChevronUpDownIcon class="size-5" aria-hidden="true" />
        </ComboboxButton>
        <ComboboxOptions
            class="border-ink bg-film rounded-card absolute z-30 mt-1 max-h-72 w-full overflow-y-auto border py-1"
        >
            <li v-if="shown.length === 0" class="text-faint text-small px-3 py-1.5" role="option" aria-disabled="true">
                Nothing is called that.
            </li>
            <ComboboxOption
                v-for="choice in shown"
                :key="choice.value"
                v-slot="{ active, selected }"
                :value="choice.value"
                as="template"
            >
                <li
                    class="flex cursor-pointer items-center gap-2 px-3 py-1.5"
                    :class="active ? 'bg-ink text-film' : ''"
                    :data-value="choice.value"
                >
                    <span class="w-3 shrink-0" aria-hidden="true">{{ selected ? '✓' : '' }}</span>
                    <img
                        v-if="pictureOf(choice)"
                        :src="pictureOf(choice)!"
                        alt=""
                        loading="lazy"
                        class="size-7 shrink-0 object-contain"
                    />
                    <span class="min-w-0 grow truncate">{{ choice.name || choice.value }}</span>
                    <span v-if="choice.group" class="text-small shrink-0">{{ choice.group }}</span>
                    <span v-if="choice.fromPack" class="text-small shrink-0">yours</span>
                    <span v-if="choice.name && choice.name !== choice.value" class="text-small shrink-0 font-mono">{{
                        choice.value
                    }}</span>
                </li>
            </ComboboxOption>
            <li
                v-if="fitting.length > most"
                class="text-faint text-small px-3 py-1.5"
                role="option"
                aria-disabled="true"
            >
                and {{ whole(fitting.length - most) }} more: type to find them
            </li>
        </ComboboxOptions>
    </Combobox>
</template>
