<script setup lang="ts">
import { computed, ref, watch } from 'vue'

/** Yours laid over the base with one corner turned up; hover or focus of the row lifts it further, a swap shows the base. */
const props = defineProps<{
    state: string
    yours: string | null
    base: string | null
    isPicture: boolean
    label: string
    /** What stands where there is no picture. */
    ending: string
    isSwapped?: boolean
    size?: number
}>()

const broken = ref(false)
watch(
    () => [props.yours, props.base],
    () => (broken.value = false),
)

const side = computed(() => props.size ?? 64)
const lies = computed(() => props.state === 'override' && props.base !== null && props.yours !== null)
const top = computed(() => (props.isSwapped && props.base ? props.base : (props.yours ?? props.base)))
</script>

<template>
    <span
        class="lifted bg-paper relative block shrink-0"
        :class="{
            'border-line border': state === 'override' || state === 'unchanged',
            'hatch p-1': state === 'base',
            'border-ink border-2 border-dotted': state === 'addition' || state === 'unplaced',
            'border-madder border-2 border-dashed': state === 'missing',
            lies: lies && !isSwapped,
        }"
        :style="{ width: `${side}px`, height: `${side}px` }"
    >
        <template v-if="isPicture && top && !broken">
            <span v-if="lies && !isSwapped" class="absolute inset-0">
                <img :src="base!" alt="" class="pixels h-full w-full object-contain" decoding="async" />
            </span>
            <span class="sheet bg-paper" :class="lies && !isSwapped ? 'absolute inset-0' : 'block h-full w-full'">
                <img
                    :src="top"
                    :alt="label"
                    class="pixels h-full w-full object-contain"
                    decoding="async"
                    @error="broken = true"
                />
            </span>
            <span v-if="lies && !isSwapped" class="fold" aria-hidden="true"></span>
        </template>
        <span v-else class="text-faint bg-paper flex h-full w-full items-center justify-center font-mono text-small">
            {{ state === 'missing' ? 'none' : state === 'several' ? '…' : broken ? 'broken' : isPicture ? '' : ending }}
        </span>
    </span>
</template>

<style scoped>
.lies {
    --lift: 22px;
}

:global(.row:hover .lies),
:global(.row:focus-within .lies),
:global(.row[aria-current='true'] .lies),
.lies:hover {
    --lift: 36px;
}

.lies .sheet {
    clip-path: polygon(0 0, 100% 0, 100% calc(100% - var(--lift)), calc(100% - var(--lift)) 100%, 0 100%);
    transition: clip-path 120ms ease-out;
}

.fold {
    position: absolute;
    right: 0;
    bottom: 0;
    width: var(--lift);
    height: var(--lift);
    /* The turned corner: the sheet's back, edged in ink so that it shows on clear ground too. */
    background: linear-gradient(135deg, var(--line) 0 30%, var(--paper) calc(50% - 2px), var(--ink) calc(50% - 1.5px));
    clip-path: polygon(0 0, 100% 0, 0 100%);
    box-shadow: inset 0 0 0 1px var(--ink);
    transition:
        width 120ms ease-out,
        height 120ms ease-out;
}
</style>
