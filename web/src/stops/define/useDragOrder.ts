import { ref } from 'vue'

/** Rows put into another order by dragging them at a handle; keys have buttons of their own. */
export function useDragOrder(move: (from: number, to: number) => void) {
    const dragged = ref<number | null>(null)
    const over = ref<number | null>(null)

    function end() {
        dragged.value = over.value = null
    }

    return {
        dragged,
        over,
        /** What the handle of a row listens to. */
        handle: (index: number) => ({
            dragstart(event: DragEvent) {
                dragged.value = index
                if (!event.dataTransfer) return
                event.dataTransfer.effectAllowed = 'move'
                // Without data some browsers drag nothing.
                event.dataTransfer.setData('text/plain', String(index))
                const row = (event.target as HTMLElement).closest('li')
                if (row) event.dataTransfer.setDragImage(row, 0, 0)
            },
            dragend: end,
        }),
        /** What a row listens to. A row of another list is none of this one. */
        row: (index: number) => ({
            dragover(event: DragEvent) {
                if (dragged.value === null) return
                event.preventDefault()
                event.stopPropagation()
                over.value = index
            },
            drop(event: DragEvent) {
                if (dragged.value === null) return
                event.preventDefault()
                event.stopPropagation()
                if (dragged.value !== index) move(dragged.value, index)
                end()
            },
        }),
    }
}

export type DragOrder = ReturnType<typeof useDragOrder>
