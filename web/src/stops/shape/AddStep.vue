<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import type { StepOfferView } from '@/api/client'
import type { Step } from './useSteps'

/** A menu of the steps that may be added. */
defineProps<{ offers: readonly StepOfferView[]; isDisabled: boolean }>()
defineEmits<{ add: [step: Step, title: string] }>()
</script>

<template>
    <Menu as="div" class="relative">
        <MenuButton class="press" :disabled="isDisabled" data-test="add-step">+ Step</MenuButton>
        <MenuItems class="menu-sheet bottom-full left-0 z-20 mb-1 max-h-80 w-80 overflow-y-auto">
            <MenuItem v-for="offer in offers" :key="offer.title" v-slot="{ active }">
                <button
                    type="button"
                    class="block w-full px-3 py-1 text-left"
                    :class="active ? 'bg-film' : ''"
                    @click="$emit('add', offer.step as unknown as Step, offer.title)"
                >
                    {{ offer.title }}
                </button>
            </MenuItem>
        </MenuItems>
    </Menu>
</template>
