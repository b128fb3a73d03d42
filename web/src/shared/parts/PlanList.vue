<script setup lang="ts">
import type { PlanLineView } from '@/api/client'
import { count } from '@/shared/words'

/** What will be done to the pack, before it is done. */
defineProps<{ lines: readonly PlanLineView[] }>()
</script>

<template>
    <section aria-label="What will be done" aria-live="polite">
        <h3 class="font-semibold">{{ count(lines.length, 'change') }}, as one</h3>
        <!-- A long list is scrolled by keys too. -->
        <ul class="border-line mt-1 max-h-56 overflow-y-auto border-t" tabindex="0" data-test="plan">
            <li v-for="(line, index) in lines" :key="index" class="border-line border-b py-1">
                <span class="text-small font-mono break-all">{{ line.path }}</span>
                <span class="text-faint text-small block break-words">{{ line.says }}</span>
            </li>
        </ul>
    </section>
</template>
