<script setup lang="ts">
import { ref } from 'vue'
import type { EntryView } from '@/api/client'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import NameDialog from './NameDialog.vue'
import RemoveDialog from './RemoveDialog.vue'

/** What can be done with an entry as a whole; what is typed in it is saved before, so that it goes along. */
const props = defineProps<{ pack: string; entry: EntryView; save: () => Promise<unknown> }>()
const path = useQueryValue('path')
const how = ref<'rename' | 'another'>('another')
const isOpen = ref(false)
const isRemoving = ref(false)
async function open(what: 'rename' | 'another') {
    await props.save()
    how.value = what
    isOpen.value = true
}
async function openRemoval() {
    await props.save()
    isRemoving.value = true
}
</script>

<template>
    <span v-if="entry.name" class="text-small flex gap-3">
        <button v-if="entry.hash" type="button" class="word" @click="open('rename')">Rename …</button>
        <button type="button" class="word" @click="open('another')">Make another …</button>
        <button v-if="entry.hash" type="button" class="word" @click="openRemoval">Take out …</button>
    </span>
    <RemoveDialog v-if="isRemoving" v-model="isRemoving" :pack="pack" :path="entry.path" @done="path = ''" />
    <NameDialog
        v-if="isOpen"
        v-model="isOpen"
        :pack="pack"
        :how="how"
        :path="entry.path"
        :like="entry.title"
        :usual="how === 'rename' ? entry.name! : `${entry.name}_2`"
        @done="path = $event"
    />
</template>
