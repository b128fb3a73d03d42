<script setup lang="ts">
import type { Refused } from '@/api/client'
import { count } from '@/shared/words'

/** What a drop could not take, and why. */
defineProps<{ refused: readonly Refused[] }>()
defineEmits<{ close: [] }>()
</script>

<template>
    <div class="border-line border-t px-6 py-2" role="alert" data-test="refused">
        <p class="text-small flex items-baseline gap-3 font-semibold">
            {{ count(refused.length, 'file was', 'files were') }} refused; the rest came in.
            <button type="button" class="word" @click="$emit('close')">Close</button>
        </p>
        <ul class="text-small max-h-28 overflow-y-auto">
            <li v-for="item in refused" :key="item.path + item.says">
                <span class="text-madder" aria-hidden="true">▼ </span><span class="font-mono">{{ item.path }}</span>
                {{ item.says }}
            </li>
        </ul>
    </div>
</template>
