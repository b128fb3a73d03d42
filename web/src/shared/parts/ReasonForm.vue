<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useKept } from '../composables/useKept'

/** Asks why a finding may stay. What is typed is kept until it is given. */
const props = defineProps<{
    name: string
    isBusy: boolean
    /** How many more could be waived for the same reason. */
    others?: number
    give: (reason: string, withOthers: boolean) => Promise<unknown>
}>()
const emit = defineEmits<{ close: [] }>()
const kept = useKept(() => props.name)
const reason = computed({ get: () => kept.value ?? '', set: (now) => (kept.value = now || null) })
const withOthers = ref(false)
const field = ref<HTMLInputElement>()
onMounted(() => field.value?.focus())

async function submit() {
    if (!(await props.give(reason.value, withOthers.value))) return
    kept.value = null
    emit('close')
}
</script>

<template>
    <form class="flex flex-wrap items-center gap-2" @submit.prevent="submit" @keydown.esc.stop="$emit('close')">
        <label class="min-w-40 grow">
            <span class="sr-only">Why may it stay?</span>
            <input
                ref="field"
                v-model="reason"
                class="field text-small"
                placeholder="Why may it stay?"
                required
                maxlength="300"
            />
        </label>
        <label v-if="others" class="text-small flex items-center gap-1.5">
            <input v-model="withOthers" type="checkbox" />and the {{ others }} others like it
        </label>
        <button type="submit" class="press text-small" :disabled="!reason.trim() || isBusy">Waive</button>
        <button type="button" class="word text-small" @click="$emit('close')">Not now</button>
    </form>
</template>
