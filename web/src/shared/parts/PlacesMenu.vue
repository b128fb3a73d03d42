<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import type { SectionColumn } from '@/api/client'
import { numbersOf } from '../coverage'

/** All places with their own names and numbers, to filter by one. */
defineProps<{
    families: readonly { key: string; title: string; columns: readonly SectionColumn[] }[]
    chosen?: string
}>()
defineEmits<{ choose: [place: string] }>()
</script>

<template>
    <Menu as="div" class="relative shrink-0">
        <MenuButton class="word text-small" data-test="places">Places</MenuButton>
        <MenuItems class="menu-sheet right-0 z-30 max-h-[60vh] w-[min(460px,calc(100vw-32px))] overflow-y-auto">
            <MenuItem v-slot="{ active }">
                <button
                    type="button"
                    class="block w-full px-3 py-1 text-left"
                    :class="[active ? 'bg-film' : '', chosen ? '' : 'font-bold']"
                    @click="$emit('choose', '')"
                >
                    All places
                </button>
            </MenuItem>
            <template v-for="family in families" :key="family.key">
                <p class="text-faint text-small border-line border-t px-3 pt-1">{{ family.title }}</p>
                <MenuItem v-for="column in family.columns" :key="column.place" v-slot="{ active }">
                    <button
                        type="button"
                        class="flex w-full items-baseline justify-between gap-3 px-3 py-1 text-left"
                        :class="[active ? 'bg-film' : '', chosen === column.place ? 'font-bold' : '']"
                        @click="$emit('choose', column.place)"
                    >
                        <span>{{ column.title }}</span>
                        <span class="text-faint text-small text-right">{{ numbersOf(column) }}</span>
                    </button>
                </MenuItem>
            </template>
        </MenuItems>
    </Menu>
</template>
