<script setup lang="ts">
import { computed } from 'vue'
import { api, data, type TextReadingView } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'
import UDialog from '@/shared/parts/UDialog.vue'
import { count } from '@/shared/words'

/** What a translator’s table would change, before it does. */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{ pack: string; reading: TextReadingView; name: string }>()
const change = useChange(() => props.pack)
const number = computed(() => count(props.reading.changes.length, 'text'))

async function take() {
    const made = await change.run(
        () =>
            data(
                api.POST('/api/packs/{id}/texts', {
                    params: { path: { id: props.pack } },
                    body: { changes: props.reading.changes },
                }),
            ),
        () => `${number.value} taken over from ${props.name}.`,
    )
    if (made) isOpen.value = false
}
</script>

<template>
    <UDialog v-model="isOpen" :title="`Texts from ${name}`" is-wide>
        <form class="flex flex-col gap-4" @submit.prevent="take">
            <p v-if="reading.problem" role="alert">
                <span class="text-madder" aria-hidden="true">▼ </span>{{ reading.problem }}
            </p>
            <p v-else-if="reading.changes.length === 0">It says nothing else than the pack does.</p>
            <section v-else>
                <h3 class="font-semibold">{{ number }} would change</h3>
                <ul class="border-line mt-1 max-h-64 overflow-y-auto border-t" data-test="changes">
                    <li
                        v-for="one in reading.changes"
                        :key="one.key + one.language"
                        class="border-line text-small border-b py-1"
                    >
                        <span class="font-mono">{{ one.key }}</span> <span class="text-faint">{{ one.language }}</span>
                        <span class="block break-words">
                            <template v-if="one.was">“{{ one.was }}” → </template>“{{ one.says }}”
                        </span>
                    </li>
                </ul>
            </section>
            <section v-if="reading.passed.length > 0">
                <h3 class="font-semibold">Passed over</h3>
                <ul class="text-small max-h-32 overflow-y-auto">
                    <li v-for="line in reading.passed" :key="line">{{ line }}</li>
                </ul>
            </section>
            <div class="flex justify-end gap-3">
                <button type="button" class="press" @click="isOpen = false">Not now</button>
                <button
                    type="submit"
                    class="press press-main"
                    :disabled="reading.changes.length === 0 || change.isBusy.value"
                >
                    Take over
                </button>
            </div>
        </form>
    </UDialog>
</template>
