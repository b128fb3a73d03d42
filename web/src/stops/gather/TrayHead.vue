<script setup lang="ts">
import { computed } from 'vue'
import { whole } from '@/shared/words'
import SeriesPlaying from './SeriesPlaying.vue'
import type { TrayChoices, TrayGroup } from './useTrayChoices'

/** A heading of the tray, with the one press for what stands beneath it. */
const props = defineProps<{ pack: string; group: TrayGroup; choices: TrayChoices; isBusy: boolean }>()
const emit = defineEmits<{ place: []; begin: [name: string] }>()
const name = computed({
    get: () => props.choices.nameOf(props.group),
    set: (now) => props.choices.callIt(props.group, now),
})
const ready = computed(() => props.group.rows.filter(props.choices.isReady).length)
const hasPress = computed(() => ['sure', 'likely', 'new', 'series'].includes(props.group.kind) && ready.value > 0)
</script>

<template>
    <div
        class="border-line bg-film text-small flex min-h-[40px] flex-wrap items-center gap-x-4 gap-y-1 border-t px-6 py-1"
    >
        <h3 class="font-semibold">
            {{ group.title }}
            <span v-if="group.kind !== 'contested' && !group.thing" class="text-faint font-normal">{{
                whole(group.rows.length)
            }}</span>
        </h3>
        <SeriesPlaying v-if="group.kind === 'series'" :pack="pack" :rows="group.rows" />
        <p v-if="group.says" class="text-faint min-w-0 flex-1">{{ group.says }}</p>
        <form
            v-if="group.thing"
            class="ml-auto flex items-center gap-3"
            @submit.prevent="name.trim() && emit('begin', name.trim())"
        >
            <label class="flex items-center gap-2">
                <span>Name</span>
                <input
                    v-model="name"
                    class="field w-56 py-0.5 font-mono"
                    required
                    maxlength="120"
                    autocomplete="off"
                    spellcheck="false"
                    data-test="thing-name"
                />
            </label>
            <button
                type="submit"
                class="press"
                :disabled="isBusy || !name.trim()"
                :aria-label="`Begin ${group.thing.noun} ${name}`"
                data-test="begin-thing"
            >
                Begin it
            </button>
        </form>
        <button
            v-else-if="hasPress"
            type="button"
            class="press ml-auto"
            :disabled="isBusy"
            :data-test="`place-${group.kind}-group`"
            :aria-label="`Place ${group.title}: ${whole(ready)}`"
            @click="$emit('place')"
        >
            Place {{ ready === 1 ? 'it' : `these ${whole(ready)}` }}
        </button>
    </div>
</template>
