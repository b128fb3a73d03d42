<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { fileUrl, type TrayRow } from '@/api/client'

const props = defineProps<{ pack: string; row: TrayRow; isBusy: boolean }>()
defineEmits<{ place: [target: string]; discard: [] }>()

const own = '…'
const chosen = ref('')
const typed = ref('')
watch(
    () => props.row,
    (row, before) => {
        if (row.path !== before?.path) chosen.value = row.candidates[0]?.target ?? own
    },
    { immediate: true },
)
const candidate = computed(() => props.row.candidates.find((c) => c.target === chosen.value))
const target = computed(() => (chosen.value === own ? typed.value.trim() : chosen.value))
const name = computed(() => props.row.file.slice(props.row.file.lastIndexOf('/') + 1))
const folder = computed(() => props.row.file.slice(0, props.row.file.length - name.value.length))
</script>

<template>
    <div
        class="border-line grid grid-cols-[46px_minmax(0,1fr)_16px_minmax(0,1.3fr)_minmax(0,1.2fr)_auto] items-center gap-x-3 border-t py-1.5 pr-6 pl-6"
        data-test="tray-row"
    >
        <img
            v-if="row.isPicture"
            :src="fileUrl(pack, row.path, row.hash)"
            alt=""
            class="pixels size-[46px] object-contain"
            loading="lazy"
        />
        <span
            v-else
            class="text-faint border-line flex size-[46px] items-center justify-center border font-mono text-small"
            >{ }</span
        >
        <p class="min-w-0" :title="row.file">
            <span class="block truncate font-semibold">{{ name }}</span>
            <span class="text-faint text-tiny block truncate">{{ folder }}</span>
        </p>
        <span aria-hidden="true">→</span>
        <div class="min-w-0">
            <label>
                <span class="sr-only">Place for {{ row.file }}</span>
                <select v-model="chosen" class="field text-small font-mono">
                    <option v-for="c in row.candidates" :key="c.target" :value="c.target">{{ c.target }}</option>
                    <option :value="own">another path …</option>
                </select>
            </label>
            <label v-if="chosen === own">
                <span class="sr-only">Path for {{ row.file }}</span>
                <input
                    v-model="typed"
                    class="field text-small mt-1 font-mono"
                    placeholder="Path in the pack"
                    maxlength="400"
                />
            </label>
        </div>
        <p class="text-faint text-small min-w-0 leading-[18px]">
            <template v-if="candidate">
                <meter
                    class="mr-1 h-2 w-12 align-middle"
                    :value="candidate.confidence"
                    :aria-label="`${Math.round(candidate.confidence * 100)} in 100 likely`"
                ></meter>
                {{ candidate.reason }}<template v-if="candidate.replaces">; replaces yours</template>
            </template>
            <template v-else-if="row.candidates.length === 0">Nothing in the host looks like it.</template>
        </p>
        <span class="flex items-center gap-3">
            <button
                type="button"
                class="press"
                :disabled="!target || isBusy"
                :aria-label="`Place ${name}`"
                data-test="place"
                @click="$emit('place', target)"
            >
                {{ candidate?.replaces ? 'Replace' : 'Place' }}
            </button>
            <button
                type="button"
                class="word text-small"
                :disabled="isBusy"
                :aria-label="`Throw ${name} away`"
                @click="$emit('discard')"
            >
                Throw away
            </button>
        </span>
    </div>
</template>
