<script setup lang="ts">
import { MenuItem } from '@headlessui/vue'
import { ChevronDownIcon } from '@heroicons/vue/24/outline'
import UMenu from '@/shared/parts/UMenu.vue'
import type { Example } from './schema'

/** Examples to begin from. */
defineProps<{ examples: readonly Example[] }>()
defineEmits<{ insert: [example: Example] }>()
</script>

<template>
    <UMenu class="press" data-test="examples" width="w-72">
        <template #button> From an example <ChevronDownIcon class="ml-1 inline size-4" aria-hidden="true" /> </template>
        <MenuItem
            v-for="example in examples"
            :key="example.title"
            as="button"
            type="button"
            class="menu-line"
            @click="$emit('insert', example)"
        >
            {{ example.title }}
        </MenuItem>
    </UMenu>
</template>
