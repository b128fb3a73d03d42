<script setup lang="ts">
import type { SectionColumn } from '@/api/client'
import { count } from '../words'

defineProps<{ column: SectionColumn; rows: number }>()
</script>

<template>
    <div class="flex h-[44px] items-end gap-3 px-6 pb-2">
        <h2 class="font-bold">{{ column.title }}</h2>
        <span class="text-faint text-small">
            <template v-if="column.inBase + column.overrides + column.additions > 0 && column.place !== 'elsewhere'"
                >{{ column.overrides }} of {{ column.inBase }} overridden<template v-if="column.additions"
                    >, {{ column.additions }} added</template
                >
                ·
            </template>
            {{ count(rows, 'row') }} shown
        </span>
    </div>
</template>
