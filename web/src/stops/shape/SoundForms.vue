<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, data, type SoundFormView, type SoundView } from '@/api/client'
import { bytes } from '@/shared/words'
import type { Step, Steps } from './useSteps'

/** In what forms the host plays the sound: how long each file is, and what is lost. Worked out when it is asked for. */
const props = defineProps<{ pack: string; sound: SoundView; steps: Steps }>()
const isOpen = ref(false)
const { data: forms, error } = useQuery({
    queryKey: ['pack', () => props.pack, 'forms', () => props.sound.path, () => props.sound.yours?.hash],
    queryFn: () =>
        data(
            api.GET('/api/packs/{id}/sound/forms', {
                params: { path: { id: props.pack }, query: { path: props.sound.path } },
            }),
        ),
    enabled: isOpen,
})
const take = ({ steps, says }: SoundFormView) =>
    props.steps.set(
        [...props.steps.list.value, ...(steps as unknown as Step[])],
        `It is ${says} now. The source is kept.`,
    )
</script>

<template>
    <details v-if="sound.yours?.rate" data-test="forms" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
        <summary class="text-lake font-semibold">Forms in which it is played</summary>
        <p v-if="error" class="text-small" role="alert">{{ error.message }}</p>
        <p v-else-if="!forms" class="text-faint text-small" role="status">They are being tried …</p>
        <p v-else-if="forms.length === 0" class="text-faint text-small">It is too long to try them all.</p>
        <table v-else class="text-small mt-1">
            <thead>
                <tr class="text-faint text-left">
                    <th class="pr-5 font-normal">Form</th>
                    <th class="pr-5 text-right font-normal">Size</th>
                    <th class="pr-5 font-normal">Loses</th>
                    <th class="font-normal"><span class="sr-only">Take it</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="form in forms" :key="form.says" class="border-line border-t">
                    <th class="py-1 pr-5 text-left font-normal" scope="row">{{ form.says }}</th>
                    <td class="py-1 pr-5 text-right font-mono whitespace-nowrap">{{ bytes(form.bytes) }}</td>
                    <td class="py-1 pr-5">{{ form.isNow ? '' : form.loses || 'nothing' }}</td>
                    <td class="py-1">
                        <span v-if="form.isNow" class="text-faint">as it is</span>
                        <button
                            v-else-if="form.steps.length > 0"
                            type="button"
                            class="word"
                            :disabled="steps.isBusy.value"
                            :aria-label="`Save it as ${form.says}`"
                            @click="take(form)"
                        >
                            Save it so
                        </button>
                        <span v-else class="text-faint">under another ending</span>
                    </td>
                </tr>
            </tbody>
        </table>
    </details>
</template>
