<script setup lang="ts">
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, data, type PackListItem } from '@/api/client'
import UDialog from '@/shared/parts/UDialog.vue'

const pack = defineModel<PackListItem | null>({ required: true })
const isOpen = computed({
    get: () => pack.value !== null,
    set: (open) => {
        if (!open) pack.value = null
    },
})
const queries = useQueryClient()
const remove = useMutation({
    mutationFn: () => data(api.DELETE('/api/packs/{id}', { params: { path: { id: pack.value!.id } } })),
    onSuccess: () => {
        pack.value = null
        return queries.invalidateQueries({ queryKey: ['packs'] })
    },
})
</script>

<template>
    <UDialog v-model="isOpen" title="Delete this pack?">
        <p>
            <strong>{{ pack?.summary.title }}</strong>, its {{ pack?.summary.files }} files, its history and its
            releases go for good. This cannot be undone.
        </p>
        <p v-if="remove.error.value" role="alert" class="text-small mt-2">{{ remove.error.value.message }}</p>
        <div class="mt-6 flex justify-end gap-3">
            <button type="button" class="press" @click="pack = null">Keep it</button>
            <button type="button" class="press press-main" :disabled="remove.isPending.value" @click="remove.mutate()">
                Delete it
            </button>
        </div>
    </UDialog>
</template>
