<script setup lang="ts">
import { computed } from 'vue'
import type { DraftView } from '@/api/client'
import { bytes, count } from '@/shared/words'

/** What goes into the package, folder by folder with sizes. */
const props = defineProps<{ draft: DraftView }>()

interface Folder {
    name: string
    path: string
    depth: number
    files: number
    length: number
}

const folders = computed(() => {
    const byPath = new Map<string, Folder>()
    for (const file of props.draft.files) {
        const segments = file.path.split('/')
        // Three levels tell where the weight is; deeper ones are counted there.
        for (let depth = 1; depth <= Math.min(segments.length - 1, 2); depth++) {
            const path = segments.slice(0, depth).join('/')
            const folder = byPath.get(path) ?? { name: segments[depth - 1]!, path, depth, files: 0, length: 0 }
            folder.files++
            folder.length += file.length
            byPath.set(path, folder)
        }
    }
    return [...byPath.values()].sort((a, b) => (a.path < b.path ? -1 : 1))
})
const roots = computed(() => props.draft.files.filter((file) => !file.path.includes('/')))
const total = computed(() => props.draft.files.reduce((sum, file) => sum + file.length, 0))
</script>

<template>
    <section aria-label="Package">
        <h2 class="font-bold">In the package</h2>
        <p class="text-faint text-small">{{ count(draft.files.length, 'file') }}, {{ bytes(total) }} before packing</p>
        <table class="text-small mt-1 w-full">
            <thead class="sr-only">
                <tr>
                    <th>Folder or file</th>
                    <th>Files</th>
                    <th>Size</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="folder in folders" :key="folder.path" class="border-line border-t">
                    <td
                        class="max-w-0 truncate py-0.5 font-mono"
                        :style="{ paddingLeft: `${(folder.depth - 1) * 14}px` }"
                        :title="folder.path"
                    >
                        {{ folder.name }}/
                    </td>
                    <td class="text-faint w-16 text-right">{{ folder.files }}</td>
                    <td class="w-20 text-right">{{ bytes(folder.length) }}</td>
                </tr>
                <tr v-for="file in roots" :key="file.path" class="border-line border-t">
                    <td class="max-w-0 truncate py-0.5 font-mono" :title="file.path">{{ file.path }}</td>
                    <td></td>
                    <td class="text-right">{{ bytes(file.length) }}</td>
                </tr>
            </tbody>
        </table>
    </section>
</template>
