<script setup lang="ts">
import { ChevronDownIcon } from '@heroicons/vue/24/outline'
import MenuLine from '@/shared/parts/MenuLine.vue'
import UMenu from '@/shared/parts/UMenu.vue'
import type { Example } from './schema'

/** Examples to begin from. */
defineProps<{ examples: readonly Example[] }>()
defineEmits<{ insert: [example: Example] }>()
</script>

<template>
    <UMenu class="press" data-test="examples" width="w-72">
        <template #button> From an example <ChevronDownIcon class="ml-1 inline size-4" aria-hidden="true" /> </template>
        <MenuLine v-for="example in examples" :key="example.title" @click="$emit('insert', example)">
            {{ example.title }}
        </MenuLine>
    </UMenu>
</template>
