<script setup lang="ts">
import KeysHelp from './frame/KeysHelp.vue'
import MessageLine from './shared/parts/MessageLine.vue'
import { useAppKeys } from './frame/useAppKeys'
import { useTheme } from './shared/composables/useTheme'

useTheme()
const { isHelpOpen } = useAppKeys()
</script>

<template>
    <router-view />
    <MessageLine />
    <KeysHelp v-model="isHelpOpen" />
</template>
