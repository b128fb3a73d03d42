<script setup lang="ts">
import { api, data, type SoundView } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'
import type { Steps } from './useSteps'

/** What can be done with a part of a sound: kept alone, or gone round in. The part is marked with the mouse or typed. */
const props = defineProps<{ pack: string; sound: SoundView; steps: Steps }>()
/** The part in seconds; nothing where none is marked. */
const part = defineModel<{ from: number; to: number } | null>({ required: true })
const change = useChange(() => props.pack)

const side = () => props.sound.yours!
const length = () => side().frames / side().rate
const set = (end: 'from' | 'to', event: Event) => {
    const value = Number((event.target as HTMLInputElement).value)
    const now = { from: 0, to: length(), ...part.value, [end]: Math.max(0, Math.min(length(), value)) }
    part.value = now.from < now.to ? now : null
}

async function keep() {
    const { from, to } = part.value!
    // What is marked is heard after the steps: it is cut last.
    const made = await props.steps.add(
        { do: 'cut', from_ms: Math.round(from * 1000), to_ms: Math.max(1, Math.round(to * 1000)) },
        'Cut to the part that was marked',
    )
    if (made) part.value = null
}

const inFrames = ({ from, to }: { from: number; to: number }) => ({
    from: Math.round(from * side().rate),
    to: Math.round(to * side().rate),
})

/** What is drawn by hand ends where its seam is heard least; what an editor wrote is exact. */
async function loop(frames: { from: number; to: number } | null, isExact = false) {
    const made = await change.run(
        () =>
            data(
                api.PUT('/api/packs/{id}/sound/loop', {
                    params: { path: { id: props.pack } },
                    body: {
                        path: props.sound.path,
                        from: frames?.from ?? null,
                        to: frames?.to ?? null,
                        isExact,
                    },
                }),
            ),
        ({ from, to }) => (from === null ? 'It is played once.' : `It goes round from frame ${from} to ${to}.`),
    )
    if (made) part.value = null
}
</script>

<template>
    <div class="text-small flex flex-wrap items-center gap-x-3 gap-y-1" role="group" aria-label="A part of it">
        <span class="text-faint">{{ part ? 'Marked' : 'Mark a part with the mouse, or type it:' }}</span>
        <label v-for="end in ['from', 'to'] as const" :key="end" class="flex items-center gap-1 whitespace-nowrap">
            <span class="text-faint">{{ end }}</span>
            <input
                type="number"
                class="border-line bg-paper w-20 border px-1 font-mono"
                min="0"
                step="0.01"
                :max="length().toFixed(2)"
                :value="part ? part[end].toFixed(2) : ''"
                :aria-label="`Part ${end}, seconds`"
                @change="set(end, $event)"
            />
            <span class="text-faint">s</span>
        </label>
        <template v-if="part">
            <button type="button" class="word" :disabled="steps.isBusy.value" data-test="keep-part" @click="keep">
                Keep only this
            </button>
            <button
                v-if="sound.mayLoop"
                type="button"
                class="word"
                :disabled="change.isBusy.value"
                data-test="loop-part"
                @click="loop(inFrames(part))"
            >
                Go round in this
            </button>
            <button type="button" class="word" @click="part = null">Mark nothing</button>
        </template>
        <button
            v-if="!part && sound.ownLoop"
            type="button"
            class="word"
            :disabled="change.isBusy.value"
            :title="`Frame ${sound.ownLoop.from} to ${sound.ownLoop.to}`"
            data-test="own-loop"
            @click="loop(sound.ownLoop, true)"
        >
            Go round as your file says
        </button>
        <button
            v-if="!part && sound.loopFrom !== null"
            type="button"
            class="word"
            :disabled="change.isBusy.value"
            data-test="no-loop"
            @click="loop(null)"
        >
            Play it once, without a loop
        </button>
    </div>
</template>
