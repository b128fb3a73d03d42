<script setup lang="ts">
import type { SectionColumn } from '@/api/client'
import { numbersOf } from '../coverage'
import MenuLine from './MenuLine.vue'
import UMenu from './UMenu.vue'

/** All places with their own names and numbers, to filter by one. */
defineProps<{
    families: readonly { key: string; title: string; columns: readonly SectionColumn[] }[]
    chosen?: string
}>()
defineEmits<{ choose: [place: string] }>()
</script>

<template>
    <UMenu
        class="word text-small shrink-0"
        data-test="places"
        placement="bottom-end"
        width="w-[min(460px,calc(100vw-32px))]"
    >
        <template #button>Places</template>
        <MenuLine :class="chosen ? '' : 'font-bold'" @click="$emit('choose', '')"> All places </MenuLine>
        <template v-for="family in families" :key="family.key">
            <p class="text-faint text-small border-line border-t px-3 pt-1">{{ family.title }}</p>
            <MenuLine
                v-for="column in family.columns"
                :key="column.place"
                class="flex items-baseline justify-between gap-3"
                :class="chosen === column.place ? 'font-bold' : ''"
                @click="$emit('choose', column.place)"
            >
                <span>{{ column.title }}</span>
                <span class="text-faint text-small text-right">{{ numbersOf(column) }}</span>
            </MenuLine>
        </template>
    </UMenu>
</template>
