<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { EllipsisHorizontalIcon } from '@heroicons/vue/24/outline'
import { ref } from 'vue'
import { fileUrl } from '@/api/client'
import { useFiles } from '@/shared/composables/useFiles'
import type { Row } from '@/shared/ledger'
import RenameFile from './RenameFile.vue'

const props = defineProps<{ pack: string; row: Row }>()
const files = useFiles(() => props.pack)
const isRenaming = ref(false)
</script>

<template>
    <Menu as="div" class="relative">
        <MenuButton class="flex size-7 items-center justify-center" :aria-label="`More for ${row.path}`"
            ><EllipsisHorizontalIcon class="size-5" aria-hidden="true"
        /></MenuButton>
        <MenuItems class="menu-sheet right-0 z-20 mt-1 w-44">
            <MenuItem v-slot="{ active }">
                <button
                    type="button"
                    class="block w-full px-3 py-1 text-left"
                    :class="active ? 'bg-film' : ''"
                    @click="isRenaming = true"
                >
                    Rename …
                </button>
            </MenuItem>
            <MenuItem v-slot="{ active }">
                <a
                    class="block w-full px-3 py-1"
                    :class="active ? 'bg-film' : ''"
                    :href="`${fileUrl(pack, row.path)}&copy=true`"
                    download
                    >Save a copy</a
                >
            </MenuItem>
            <MenuItem v-slot="{ active }">
                <button
                    type="button"
                    class="block w-full px-3 py-1 text-left"
                    :class="active ? 'bg-film' : ''"
                    @click="files.takeOut([row])"
                >
                    Take out
                </button>
            </MenuItem>
        </MenuItems>
    </Menu>
    <RenameFile v-if="isRenaming" v-model="isRenaming" :pack="pack" :row="row" />
</template>
