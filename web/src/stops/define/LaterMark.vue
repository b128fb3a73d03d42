<script setup lang="ts">
/** A value, or an entry as a whole, that the author means to set later. */
defineProps<{ of: string; isLater: boolean }>()
defineEmits<{ set: [isLater: boolean] }>()
</script>

<template>
    <label class="text-small flex items-start gap-2">
        <input
            type="checkbox"
            class="mt-1 accent-(--ink)"
            :checked="isLater"
            @change="$emit('set', ($event.target as HTMLInputElement).checked)"
        />
        {{ of }}
    </label>
</template>
