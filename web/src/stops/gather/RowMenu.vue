<script setup lang="ts">
import { EllipsisHorizontalIcon } from '@heroicons/vue/24/outline'
import { ref } from 'vue'
import { fileUrl } from '@/api/client'
import { useFiles } from '@/shared/composables/useFiles'
import type { Row } from '@/shared/ledger'
import MenuLine from '@/shared/parts/MenuLine.vue'
import UMenu from '@/shared/parts/UMenu.vue'
import RenameFile from './RenameFile.vue'

const props = defineProps<{ pack: string; row: Row }>()
const files = useFiles(() => props.pack)
const isRenaming = ref(false)
</script>

<template>
    <UMenu
        class="flex size-7 items-center justify-center"
        :aria-label="`More for ${row.path}`"
        placement="bottom-end"
        width="w-44"
    >
        <template #button><EllipsisHorizontalIcon class="size-5" aria-hidden="true" /></template>
        <MenuLine @click="isRenaming = true">Rename …</MenuLine>
        <MenuItem as="a" class="menu-line" :href="`${fileUrl(pack, row.path)}&copy=true`" download
            >Save a copy</MenuItem
        >
        <MenuLine @click="files.takeOut([row])">Take out</MenuLine>
    </UMenu>
    <RenameFile v-if="isRenaming" v-model="isRenaming" :pack="pack" :row="row" />
</template>
