<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { computed, ref } from 'vue'
import { fileUrl, type PictureView, type StepView } from '@/api/client'
import { bytes, pixels } from '@/shared/words'
import type { Steps } from './useSteps'

/** The steps as a line of plates from source to result. */
const props = defineProps<{ pack: string; picture: PictureView; steps: Steps }>()
const input = ref<HTMLInputElement>()

const isBusy = computed(() => props.steps.isBusy.value)
const yours = computed(() => props.picture.yours!)
const after = (index: number) =>
    `/api/packs/${props.pack}/picture/step?path=${encodeURIComponent(props.picture.path)}&after=${index}&of=${yours.value.hash}`

const factors = computed(() => {
    const size = yours.value.size
    return size ? [2, 3, 4, 8].filter((f) => Math.max(size.width, size.height) * f <= 4096) : []
})
const offers = computed(() => {
    const list: { title: string; step: StepView }[] = []
    const wanted = props.picture.wanted
    const fit = (mode: string, says: string) =>
        wanted &&
        list.push({
            title: `Fit to ${pixels(wanted)}, ${says}`,
            step: {
                do: 'fit',
                ...wanted,
                mode,
                exact: props.picture.rules.some((r) => r.wanted.startsWith('No green')),
            } as StepView,
        })
    fit('fill', 'cut what hangs over')
    fit('inside', 'with clear margins')
    fit('stretch', 'stretched')
    for (const factor of factors.value)
        list.push({ title: `Enlarge by ${factor}`, step: { do: 'enlarge', factor } as StepView })
    list.push(
        { title: 'Clear the outer ring', step: { do: 'clear-border' } as StepView },
        { title: 'Cut a ground of one colour away', step: { do: 'cut-matte' } as StepView },
        { title: 'Spread colours under clear pixels', step: { do: 'spread-colour' } as StepView },
        { title: 'Make every pixel solid or clear', step: { do: 'harden-alpha' } as StepView },
        { title: 'Make every pixel solid', step: { do: 'make-solid' } as StepView },
        { title: 'Make it grey', step: { do: 'grey' } as StepView },
    )
    if (props.picture.base) list.push({ title: 'Take the base’s alpha', step: { do: 'take-alpha' } as StepView })
    return list
})

const modes = [
    ['fill', 'cut what hangs over'],
    ['inside', 'clear margins'],
    ['stretch', 'stretched'],
] as const

function choose(event: Event) {
    const field = event.target as HTMLInputElement
    const file = field.files?.[0]
    field.value = ''
    if (file) void props.steps.renew(file)
}
</script>

<template>
    <section aria-label="Steps">
        <p class="text-faint text-small pb-1">
            Steps, from the file you saved to what goes into the pack. Drop a new picture here and they run again.
        </p>
        <ol class="flex flex-wrap items-stretch gap-2">
            <li class="plate border-line bg-paper rounded-card flex items-center gap-3 border px-2 py-1.5">
                <img
                    :src="picture.source ? after(0) : fileUrl(pack, picture.path, yours.hash)"
                    alt=""
                    class="pixels size-11 object-contain"
                />
                <span>
                    <strong class="block">Source</strong>
                    <span class="text-faint text-small">{{ pixels((picture.source ?? yours).size) }}</span>
                    <button type="button" class="word text-small ml-2" :disabled="isBusy" @click="input?.click()">
                        New source …
                    </button>
                </span>
                <input
                    ref="input"
                    type="file"
                    accept="image/*,.tga,.dds"
                    class="hidden"
                    aria-label="New source"
                    @change="choose"
                />
            </li>
            <template v-for="(plate, index) in picture.steps" :key="index">
                <li class="self-center" aria-hidden="true">→</li>
                <li
                    class="border-line bg-paper rounded-card flex items-center gap-3 border px-2 py-1.5"
                    data-test="step"
                >
                    <img :src="after(index + 1)" alt="" class="pixels size-11 object-contain" />
                    <span>
                        <strong class="block">{{ plate.title }}</strong>
                        <span class="text-small flex gap-2">
                            <select
                                v-if="plate.step.do === 'fit'"
                                class="text-small bg-paper border-line border"
                                :value="plate.step.mode"
                                :disabled="isBusy"
                                :aria-label="`How: ${plate.title}`"
                                @change="
                                    steps.change(index, {
                                        ...plate.step,
                                        mode: ($event.target as HTMLSelectElement).value,
                                    })
                                "
                            >
                                <option v-for="[key, word] in modes" :key="key" :value="key">{{ word }}</option>
                            </select>
                            <button
                                v-if="index > 0"
                                type="button"
                                class="word"
                                :disabled="isBusy"
                                :aria-label="`Run ${plate.title} earlier`"
                                @click="steps.move(index, -1)"
                            >
                                ←
                            </button>
                            <button
                                v-if="index < picture.steps.length - 1"
                                type="button"
                                class="word"
                                :disabled="isBusy"
                                :aria-label="`Run ${plate.title} later`"
                                @click="steps.move(index, 1)"
                            >
                                →
                            </button>
                            <button
                                type="button"
                                class="word"
                                :disabled="isBusy"
                                :aria-label="`Take off ${plate.title}`"
                                @click="steps.remove(index)"
                            >
                                Take off
                            </button>
                        </span>
                    </span>
                </li>
            </template>
            <template v-if="picture.steps.length > 0">
                <li class="self-center" aria-hidden="true">→</li>
                <li class="border-ink bg-paper rounded-card flex items-center gap-3 border px-2 py-1.5">
                    <img :src="fileUrl(pack, picture.path, yours.hash)" alt="" class="pixels size-11 object-contain" />
                    <span>
                        <strong class="block">Result</strong>
                        <span class="text-faint text-small">{{ pixels(yours.size) }}, {{ bytes(yours.length) }}</span>
                    </span>
                </li>
            </template>
            <li class="self-center">
                <Menu as="div" class="relative">
                    <MenuButton class="press" :disabled="isBusy || yours.problem !== null" data-test="add-step"
                        >+ Step</MenuButton
                    >
                    <MenuItems
                        class="border-ink bg-paper rounded-card absolute bottom-full left-0 z-20 mb-1 w-72 border py-1 outline-none"
                    >
                        <MenuItem v-for="offer in offers" :key="offer.title" v-slot="{ active }">
                            <button
                                type="button"
                                class="block w-full px-3 py-1 text-left"
                                :class="active ? 'bg-film' : ''"
                                @click="steps.add(offer.step, offer.title)"
                            >
                                {{ offer.title }}
                            </button>
                        </MenuItem>
                    </MenuItems>
                </Menu>
            </li>
        </ol>
    </section>
</template>
