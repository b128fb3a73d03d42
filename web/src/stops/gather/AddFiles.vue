<script setup lang="ts">
import { inject, ref } from 'vue'
import { dropKey } from '@/frame/useTrayDrop'
import { readChosen } from '@/shared/composables/useDrop'
import RecordDialog from '@/shared/parts/RecordDialog.vue'

/** Files, a folder or a recording of one's own for the tray. */
defineProps<{ playsSounds: boolean }>()
const drop = inject(dropKey)!
const files = ref<HTMLInputElement>()
const folder = ref<HTMLInputElement>()
const isRecording = ref(false)
const name = ref('')

/** By its name its place is found, as with any other file. */
async function use(take: File) {
    const path = `${name.value.trim() || 'recording'}.wav`
    const hasCome = await drop.take([{ path, file: take }])
    if (hasCome) name.value = ''
    return hasCome
}
</script>

<template>
    <button type="button" class="press" @click="files?.click()">Add files …</button>
    <button type="button" class="press" @click="folder?.click()">Add a folder …</button>
    <button v-if="playsSounds" type="button" class="press" data-test="record-new" @click="isRecording = true">
        Record …
    </button>
    <input
        ref="files"
        type="file"
        multiple
        class="hidden"
        aria-label="Files to add"
        data-test="add-files"
        @change="drop.take(readChosen($event.target as HTMLInputElement))"
    />
    <input
        ref="folder"
        type="file"
        webkitdirectory
        multiple
        class="hidden"
        aria-label="Folder to add"
        data-test="add-folder"
        @change="drop.take(readChosen($event.target as HTMLInputElement))"
    />
    <RecordDialog v-model="isRecording" title="Record a sound" :is-busy="drop.isSending.value" :use="use">
        <label>
            <span class="font-semibold">What it is</span>
            <input v-model="name" class="field mt-1" autocomplete="off" data-test="recording-name" />
            <span class="text-faint text-small">By this its place is found, as by the name of a file.</span>
        </label>
    </RecordDialog>
</template>
