import { onBeforeUnmount, onMounted, ref } from 'vue'
import type { Incoming } from '@/api/upload'

/** Reads what is dropped anywhere on the page, folders with all that is in them. */
export function useDrop(take: (files: Incoming[]) => void) {
    const isOver = ref(false)
    let depth = 0
    const hasFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false

    function onEnter(event: DragEvent) {
        if (!hasFiles(event)) return
        depth++
        isOver.value = true
    }
    function onLeave() {
        depth = Math.max(0, depth - 1)
        if (depth === 0) isOver.value = false
    }
    function onOver(event: DragEvent) {
        if (hasFiles(event)) event.preventDefault()
    }
    async function onDrop(event: DragEvent) {
        if (!hasFiles(event)) return
        event.preventDefault()
        depth = 0
        isOver.value = false
        const files = await readDrop(event.dataTransfer!)
        if (files.length > 0) take(files)
    }

    onMounted(() => {
        window.addEventListener('dragenter', onEnter)
        window.addEventListener('dragleave', onLeave)
        window.addEventListener('dragover', onOver)
        window.addEventListener('drop', onDrop)
    })
    onBeforeUnmount(() => {
        window.removeEventListener('dragenter', onEnter)
        window.removeEventListener('dragleave', onLeave)
        window.removeEventListener('dragover', onOver)
        window.removeEventListener('drop', onDrop)
    })
    return isOver
}

/** The files of a drop with their paths; entries have to be asked for before the first wait. */
async function readDrop(transfer: DataTransfer): Promise<Incoming[]> {
    const entries = [...transfer.items].map((item) => item.webkitGetAsEntry()).filter((entry) => entry !== null)
    if (entries.length === 0) return [...transfer.files].map((file) => ({ path: file.name, file }))
    const files: Incoming[] = []
    for (const entry of entries) await readEntry(entry, files)
    return files
}

async function readEntry(entry: FileSystemEntry, files: Incoming[]): Promise<void> {
    if (entry.isFile) {
        const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject))
        files.push({ path: entry.fullPath.replace(/^\//, ''), file })
        return
    }
    const reader = (entry as FileSystemDirectoryEntry).createReader()
    for (;;) {
        const part = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject))
        if (part.length === 0) return
        for (const inner of part) await readEntry(inner, files)
    }
}

/** Files that were chosen with a file input, a folder's with their paths in it. */
export function readChosen(input: HTMLInputElement): Incoming[] {
    const files = [...(input.files ?? [])].map((file) => ({ path: file.webkitRelativePath || file.name, file }))
    input.value = ''
    return files
}
