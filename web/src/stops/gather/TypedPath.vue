<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, useId, watch } from 'vue'
import { api, data } from '@/api/client'

/** A path in the pack as it is typed: completed, and judged for the file that is to go there. */
const path = defineModel<string>({ required: true })
const isRefused = defineModel<boolean>('isRefused', { required: true })
const props = defineProps<{ pack: string; file: string }>()
defineEmits<{ enter: [] }>()

const id = useId()
const box = ref<HTMLElement>()

const typed = refDebounced(path, 150)
const { data: judged } = useQuery({
    queryKey: ['pack', () => props.pack, 'path', () => props.file, typed],
    queryFn: () =>
        data(
            api.GET('/api/packs/{id}/tray/path', {
                params: { path: { id: props.pack }, query: { file: props.file, target: typed.value.trim() } },
            }),
        ),
    placeholderData: (before) => before,
})
/** What is said of a path stands below it, and must not lie under the page's foot while it is typed. */
function keepInView() {
    if (box.value?.contains(document.activeElement)) box.value.scrollIntoView({ block: 'nearest' })
}
watch(judged, keepInView, { flush: 'post' })
watch(judged, (now) => (isRefused.value = typed.value.trim() !== '' && now?.isRefused === true), { immediate: true })
const says = computed(() => {
    if (!judged.value || typed.value.trim() === '') return ''
    const { noun, replaces } = judged.value
    if (judged.value.says) return ''
    const over = replaces === 'pack' ? '; replaces yours' : replaces === 'base' ? '; lies over the base’s' : ''
    return `${noun ?? 'nothing that the host reads'}${over}`
})
</script>

<template>
    <div ref="box">
        <label>
            <span class="sr-only">Path for {{ file }}</span>
            <input
                v-model="path"
                class="field text-small mt-1 font-mono"
                placeholder="Path in the pack"
                maxlength="400"
                autocomplete="off"
                spellcheck="false"
                :list="`${id}-paths`"
                :aria-describedby="`${id}-says`"
                :aria-invalid="isRefused"
                data-test="typed-path"
                @keydown.enter="$emit('enter')"
            />
        </label>
        <datalist :id="`${id}-paths`">
            <option v-for="item in judged?.completions" :key="item" :value="item"></option>
        </datalist>
        <p :id="`${id}-says`" class="text-tiny pt-0.5" role="status" data-test="path-says">
            <template v-if="judged?.says && path.trim()">
                <span class="text-madder" aria-hidden="true">▼ </span>{{ judged.says }}
                <button v-if="judged.near" type="button" class="word text-tiny" @click="path = judged.near">
                    {{ judged.near }}
                </button>
            </template>
            <span v-else class="text-faint"
                >{{ says
                }}<template v-if="judged?.near && path.trim()"
                    >; a new name, and near to
                    <button type="button" class="word text-tiny" @click="path = judged.near">{{ judged.near }}</button>
                </template></span
            >
        </p>
    </div>
</template>
