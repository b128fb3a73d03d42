<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { api, data, type BinnedPack } from '@/api/client'
import { renew } from '@/api/renew'
import { useMessages } from '@/shared/composables/useMessages'
import { count, day } from '@/shared/words'

/** Packs that were put into the bin, below the others; each can be taken out again. */
const queries = useQueryClient()
const { say, warn } = useMessages()
const { data: packs } = useQuery({
    queryKey: ['packs', 'bin'],
    queryFn: () => data(api.GET('/api/bin')),
    placeholderData: (before) => before,
})
const restore = useMutation({
    mutationFn: (pack: BinnedPack) =>
        data(api.POST('/api/bin/{id}/restoration', { params: { path: { id: pack.id } } })),
    onSuccess: (_, pack) => {
        say(`${pack.title} is back.`)
        return renew(queries, ['packs'])
    },
    onError: (problem) => warn(problem.message),
})
</script>

<template>
    <details v-if="packs && packs.length > 0" class="px-6 py-4" data-test="bin">
        <summary class="text-lake font-semibold">Bin · {{ count(packs.length, 'pack') }}</summary>
        <p class="text-faint text-small mt-2">Packs stay here for 30 days, with their history and releases.</p>
        <ul class="mt-2 max-w-3xl">
            <li
                v-for="pack in packs"
                :key="pack.id"
                class="border-line flex flex-wrap items-baseline gap-x-4 border-t py-2"
                data-test="binned"
            >
                <strong class="min-w-0 grow [overflow-wrap:anywhere]">{{ pack.title }}</strong>
                <span class="text-faint text-small"
                    >{{ count(pack.files, 'file') }}, goes for good on {{ day(pack.goneAt) }}</span
                >
                <button type="button" class="word" :disabled="restore.isPending.value" @click="restore.mutate(pack)">
                    Restore
                </button>
            </li>
        </ul>
    </details>
</template>
