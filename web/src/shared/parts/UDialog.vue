<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** A dialog that ends in a decision. */
const isOpen = defineModel<boolean>({ required: true })
defineProps<{ title: string; isWide?: boolean }>()
</script>

<template>
    <Dialog :open="isOpen" class="relative z-50" @close="isOpen = false">
        <div class="fixed inset-0 bg-[#0f2e33]/40" aria-hidden="true"></div>
        <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-6 pt-[12vh]">
            <DialogPanel
                class="border-ink bg-film rounded-card w-full border p-6"
                :class="isWide ? 'max-w-2xl' : 'max-w-lg'"
            >
                <DialogTitle class="text-large mb-4 font-bold">{{ title }}</DialogTitle>
                <slot />
            </DialogPanel>
        </div>
    </Dialog>
</template>
