<script setup lang="ts">
import { usePreferences } from '@/shared/composables/usePreferences'
import UDialog from '@/shared/parts/UDialog.vue'

const isOpen = defineModel<boolean>({ required: true })
const preferences = usePreferences()

const keys = [
    ['1 to 5, 0, 9', 'Gather, Shape, Define, Prove, Release; Packs; Hosts'],
    ['F1', 'Help for where you stand'],
    ['?', 'These keys'],
    ['/', 'Search'],
    ['t', 'The tray, in Gather'],
    ['n', 'New pack, in Packs'],
    ['Up, Down', 'The row before, the next'],
    ['Space, Shift+Up, Shift+Down, Ctrl+A', 'Select the row, the one before or the next too, all that are shown'],
    ['Enter', 'Open the row'],
    ['Esc', 'Back, or close what is open'],
    ['f', 'Apply the first fix of the row'],
    ['w', 'Waive the first finding of the row'],
    ['h', 'Hear the sound of a row, and stop'],
    ['x', 'Swap base and yours'],
    ['b', 'Blink between base and yours'],
    ['z', 'True size'],
    ['p, o, l, m', 'Play your sound, the base’s, the seam of a loop, the part that is marked; again to stop'],
    ['+, -, a', 'Closer, wider, all of a sound; pictures closer and smaller'],
    [', .', 'A sound is heard from a little earlier or later'],
    ['c', 'Light, dark or loud ground behind pictures'],
    ['Ctrl+S', 'Save what is typed in Define'],
    ['Ctrl+Z, Ctrl+Shift+Z', 'Undo, redo'],
]
</script>

<template>
    <UDialog v-model="isOpen" title="Keys and appearance" is-wide>
        <dl class="grid max-h-[46vh] grid-cols-[auto_1fr] gap-x-6 gap-y-1 overflow-y-auto" tabindex="0">
            <template v-for="[key, act] in keys" :key="key">
                <dt class="text-small font-mono">{{ key }}</dt>
                <dd>{{ act }}</dd>
            </template>
        </dl>
        <fieldset class="mt-5 flex items-center gap-5">
            <legend class="mb-1 font-semibold">Appearance</legend>
            <label v-for="theme in ['system', 'light', 'dark'] as const" :key="theme" class="flex items-center gap-2">
                <input v-model="preferences.theme" type="radio" name="theme" :value="theme" />
                {{ theme === 'system' ? 'As the system' : theme === 'light' ? 'Light' : 'Dark' }}
            </label>
        </fieldset>
        <div class="mt-6 text-right">
            <button type="button" class="press press-main" @click="isOpen = false">Close</button>
        </div>
    </UDialog>
</template>
