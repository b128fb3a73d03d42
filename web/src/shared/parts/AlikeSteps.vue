<script setup lang="ts">
import { MenuItem } from '@headlessui/vue'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, data } from '@/api/client'
import MenuLine from './MenuLine.vue'

/** The steps that fit all of some pictures, as items of a menu; looked for when the menu opens. */
const props = defineProps<{ pack: string; paths: readonly string[] }>()
defineEmits<{ choose: [title: string] }>()

const body = computed(() => ({ paths: [...props.paths] }))
const {
    data: offers,
    error,
    isPending,
} = useQuery({
    queryKey: ['pack', () => props.pack, 'alike', body],
    queryFn: () =>
        data(api.POST('/api/packs/{id}/pictures/offers', { params: { path: { id: props.pack } }, body: body.value })),
    gcTime: 0,
})
</script>

<template>
    <MenuItem v-if="isPending || error || offers?.titles.length === 0" as="p" disabled class="text-faint px-3 py-1">
        {{ isPending ? 'Looking what fits all of them …' : (error?.message ?? 'No step fits all of them.') }}
    </MenuItem>
    <MenuLine v-for="title in offers?.titles" :key="title" @click="$emit('choose', title)">
        {{ title }}
    </MenuLine>
</template>
