<script setup lang="ts">
import { computed } from 'vue'
import { baseUrl, fileUrl, type PackSummary } from '@/api/client'
import { canOpen, type Row } from '../ledger'
import { endingOf } from '../words'
import LiftedSheet from './LiftedSheet.vue'

const props = defineProps<{ pack: string; summary: PackSummary; row: Row; isSwapped?: boolean; size?: number }>()
const emit = defineEmits<{ open: [] }>()
const opens = computed(() => (props.row.isPicture || props.row.isSound) && canOpen(props.row))
/** With Ctrl or Shift a row is selected. */
const press = (event: MouseEvent) => opens.value && !event.ctrlKey && !event.metaKey && !event.shiftKey && emit('open')
const yours = computed(() => (props.row.hash ? fileUrl(props.pack, props.row.path, props.row.hash) : null))
const base = computed(() =>
    props.row.baseHash ? baseUrl(props.summary.host, props.summary.edition, props.row.path, props.row.baseHash) : null,
)
</script>

<template>
    <LiftedSheet
        :state="row.state"
        :yours="yours"
        :base="base"
        :is-picture="row.isPicture || row.isSound"
        :label="`${row.title}, ${row.noun}`"
        :ending="endingOf(row.path)"
        :is-swapped="isSwapped"
        :size="size"
        :class="opens ? 'cursor-pointer' : ''"
        @click="press"
    />
</template>
