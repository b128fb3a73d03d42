<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, data } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'
import StateNote from '@/shared/parts/StateNote.vue'
import UDialog from '@/shared/parts/UDialog.vue'
import { count } from '@/shared/words'
import PlanList from '@/shared/parts/PlanList.vue'
import { useTies } from './useTies'

/** Takes an entry out of the pack with what is its own, once it is known who uses it. */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{ pack: string; path: string }>()
const emit = defineEmits<{ done: [] }>()

const change = useChange(() => props.pack)
const { data: ties } = useTies(
    () => props.pack,
    () => props.path,
)
const {
    data: plan,
    error,
    isPending,
    refetch,
} = useQuery({
    queryKey: ['pack', () => props.pack, 'removal', () => props.path],
    queryFn: () =>
        data(
            api.GET('/api/packs/{id}/entry/plan', {
                params: { path: { id: props.pack }, query: { path: props.path, how: 'remove' } },
            }),
        ),
})
async function carryOut() {
    if (!plan.value || plan.value.problem) return
    const body = { path: props.path }
    const made = await change.run(
        () => data(api.POST('/api/packs/{id}/entry/removal', { params: { path: { id: props.pack } }, body })),
        () => `${props.path} is taken out.`,
    )
    if (!made) return
    isOpen.value = false
    emit('done')
}
</script>

<template>
    <UDialog v-model="isOpen" title="Take out" is-wide>
        <form class="flex flex-col gap-4" @submit.prevent="carryOut">
            <!-- All at once: nothing moves under the pointer while the rest is fetched. -->
            <StateNote v-if="!ties || !plan" :is-loading="isPending" :problem="error" @again="refetch" />
            <p v-else-if="plan.problem" class="text-small" role="alert">
                <span class="text-madder" aria-hidden="true">▼ </span>{{ plan.problem }}
            </p>
            <template v-else>
                <section v-if="ties.uses.length > 0" data-test="users">
                    <h3 class="font-semibold">
                        {{ count(ties.uses.length + ties.more, 'file uses', 'files use') }} it
                    </h3>
                    <ul class="border-line mt-1 max-h-40 overflow-y-auto border-t">
                        <li v-for="(tie, index) in ties.uses" :key="index" class="border-line text-small border-b py-1">
                            {{ tie.title }} <span class="text-faint">{{ tie.noun }}, {{ tie.says }}</span>
                        </li>
                    </ul>
                </section>
                <p v-else class="text-small">Nothing else uses it.</p>
                <PlanList :lines="plan.lines" />
            </template>
            <div class="flex justify-end gap-3">
                <button type="button" class="press" @click="isOpen = false">Not now</button>
                <button
                    type="submit"
                    class="press press-main"
                    :disabled="!ties || !plan || !!plan.problem || change.isBusy.value"
                    data-test="remove"
                >
                    Take out
                </button>
            </div>
        </form>
    </UDialog>
</template>
