<script setup lang="ts">
import { ref, watch } from 'vue'
import { asHex } from '../colour'

/** A colour, typed or pasted as hex, or taken from the swatch. */
const model = defineModel<string>({ required: true })
defineProps<{ id?: string; describedBy?: string; isWrong?: boolean; label?: string }>()

const typed = ref(model.value)
watch(model, (now) => {
    if (asHex(typed.value) !== now) typed.value = now
})
function put(text: string) {
    typed.value = text
    model.value = asHex(text) ?? text
}
</script>

<template>
    <span class="flex items-center gap-2">
        <input
            type="color"
            class="border-edge size-[34px] shrink-0 cursor-pointer border p-0"
            :value="asHex(model) ?? '#000000'"
            :aria-label="label ? `${label}, swatch` : 'Swatch'"
            @input="put(($event.target as HTMLInputElement).value)"
        />
        <input
            :id="id"
            class="field max-w-32 font-mono"
            :value="typed"
            placeholder="#2f8f86"
            maxlength="32"
            autocomplete="off"
            spellcheck="false"
            :aria-describedby="describedBy"
            :aria-invalid="isWrong"
            @input="put(($event.target as HTMLInputElement).value)"
            @blur="typed = model"
        />
    </span>
</template>
