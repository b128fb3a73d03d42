<script setup lang="ts">
import KeysHelp from './frame/KeysHelp.vue'
import MessageLine from './shared/parts/MessageLine.vue'
import TogetherDialog from './shared/parts/TogetherDialog.vue'
import { useAppKeys } from './frame/useAppKeys'
import { useTheme } from './shared/composables/useTheme'

useTheme()
const { isHelpOpen } = useAppKeys()
</script>

<template>
    <div class="flex h-full flex-col">
        <div class="min-h-0 grow"><router-view /></div>
        <MessageLine />
    </div>
    <TogetherDialog />
    <KeysHelp v-model="isHelpOpen" />
</template>
