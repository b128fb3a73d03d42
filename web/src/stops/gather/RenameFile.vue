<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, data } from '@/api/client'
import { useFiles } from '@/shared/composables/useFiles'
import type { Row } from '@/shared/ledger'
import PlanList from '@/shared/parts/PlanList.vue'
import UDialog from '@/shared/parts/UDialog.vue'

/** Gives a file another path, and what goes by its name along with it: all of it is listed before. */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{ pack: string; row: Row }>()
const files = useFiles(() => props.pack)
const to = ref(props.row.path)
const asked = refDebounced(
    computed(() => to.value.trim()),
    200,
)
const { data: plan } = useQuery({
    queryKey: ['pack', () => props.pack, 'move', () => props.row.path, asked],
    queryFn: () =>
        data(
            api.GET('/api/packs/{id}/moves/plan', {
                params: { path: { id: props.pack }, query: { from: props.row.path, to: asked.value } },
            }),
        ),
    enabled: () => asked.value !== '' && asked.value !== props.row.path,
})
const isReady = computed(() => plan.value && !plan.value.problem && asked.value === to.value.trim())

async function rename() {
    if (isReady.value && (await files.rename(props.row, asked.value))) isOpen.value = false
}
</script>

<template>
    <UDialog v-model="isOpen" title="Rename" is-wide>
        <form class="flex flex-col gap-4" @submit.prevent="rename">
            <label>
                <span class="font-semibold">Path in the pack</span>
                <span class="text-faint text-small ml-2">what goes by its name goes along</span>
                <input
                    v-model="to"
                    class="field mt-1 font-mono"
                    required
                    maxlength="400"
                    autocomplete="off"
                    spellcheck="false"
                />
            </label>
            <p v-if="plan?.problem && asked !== row.path" class="text-small" role="alert">
                <span class="text-madder" aria-hidden="true">▼ </span>{{ plan.problem }}
            </p>
            <PlanList v-else-if="isReady && plan" :lines="plan.lines" />
            <div class="flex justify-end gap-3">
                <button type="button" class="press" @click="isOpen = false">Not now</button>
                <button type="submit" class="press press-main" :disabled="!isReady || files.isBusy.value">
                    Rename
                </button>
            </div>
        </form>
    </UDialog>
</template>
