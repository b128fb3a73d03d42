<script setup lang="ts">
import { ref } from 'vue'
import type { EntryView } from '@/api/client'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import NameDialog from './NameDialog.vue'

/** What can be done with the name of an entry. */
defineProps<{ pack: string; entry: EntryView }>()
const path = useQueryValue('path')
const how = ref<'rename' | 'clone'>('clone')
const isOpen = ref(false)
function open(what: 'rename' | 'clone') {
    how.value = what
    isOpen.value = true
}
</script>

<template>
    <span v-if="entry.name" class="text-small flex gap-3">
        <button v-if="entry.hash" type="button" class="word" @click="open('rename')">Rename …</button>
        <button type="button" class="word" @click="open('clone')">Clone …</button>
    </span>
    <NameDialog
        v-if="isOpen"
        v-model="isOpen"
        :pack="pack"
        :how="how"
        :path="entry.path"
        :usual="how === 'rename' ? entry.name! : `${entry.name}_2`"
        @done="path = $event"
    />
</template>
