<script setup lang="ts">
import { ref } from 'vue'
import type { EntryView } from '@/api/client'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import NameDialog from './NameDialog.vue'
import RemoveDialog from './RemoveDialog.vue'

/** What can be done with the name of an entry. */
defineProps<{ pack: string; entry: EntryView }>()
const path = useQueryValue('path')
const how = ref<'rename' | 'clone'>('clone')
const isOpen = ref(false)
const isRemoving = ref(false)
function open(what: 'rename' | 'clone') {
    how.value = what
    isOpen.value = true
}
</script>

<template>
    <span v-if="entry.name" class="text-small flex gap-3">
        <button v-if="entry.hash" type="button" class="word" @click="open('rename')">Rename …</button>
        <button type="button" class="word" @click="open('clone')">Clone …</button>
        <button v-if="entry.hash" type="button" class="word" @click="isRemoving = true">Take out …</button>
    </span>
    <RemoveDialog v-if="isRemoving" v-model="isRemoving" :pack="pack" :path="entry.path" @done="path = ''" />
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
