<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { ChevronDownIcon } from '@heroicons/vue/24/outline'
import type { Example } from './schema'

/** Examples to begin from. */
defineProps<{ examples: readonly Example[] }>()
defineEmits<{ insert: [example: Example] }>()
</script>

<template>
    <Menu as="div" class="relative">
        <MenuButton class="press" data-test="examples"
            >From an example <ChevronDownIcon class="ml-1 inline size-4" aria-hidden="true"
        /></MenuButton>
        <MenuItems class="menu-sheet left-0 z-30 mt-1 w-72">
            <MenuItem v-for="example in examples" :key="example.title" v-slot="{ active }">
                <button
                    type="button"
                    class="block w-full px-3 py-1 text-left"
                    :class="active ? 'bg-film' : ''"
                    @click="$emit('insert', example)"
                >
                    {{ example.title }}
                </button>
            </MenuItem>
        </MenuItems>
    </Menu>
</template>
