<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useHelp } from './frame/help/useHelp'
import KeysHelp from './frame/KeysHelp.vue'
import MessageLine from './shared/parts/MessageLine.vue'
import ChainDialog from './shared/parts/ChainDialog.vue'
import { useAppKeys } from './frame/useAppKeys'
import { useTheme } from './shared/composables/useTheme'

useTheme()
const { isHelpOpen } = useAppKeys()
const { isOpen: isReading } = useHelp()
// Its texts are fetched when it is opened first.
const HelpSheet = defineAsyncComponent(() => import('./frame/help/HelpSheet.vue'))
</script>

<template>
    <div class="low:h-auto low:min-h-full flex h-full flex-col">
        <div class="min-h-0 grow"><router-view /></div>
        <MessageLine />
    </div>
    <ChainDialog />
    <KeysHelp v-model="isHelpOpen" />
    <HelpSheet v-if="isReading" />
</template>
