<script setup lang="ts">
import type { SectionColumn } from '@/api/client'
import { coverageOf } from '../coverage'
import { count } from '../words'

defineProps<{ column: SectionColumn; rows: number }>()
</script>

<template>
    <div class="flex h-[44px] items-end gap-3 px-6 pb-2">
        <h2 class="font-bold">{{ column.title }}</h2>
        <span class="text-faint text-small">
            {{ [coverageOf(column), `${count(rows, 'row')} shown`].filter(Boolean).join(' · ') }}
        </span>
    </div>
</template>
