import type { VirtualItem } from '@tanstack/vue-virtual'

/** Where a list was left. */
interface ListPlace {
    /** The row that had the focus. */
    key: string | null
    offset: number
    /** The heights that were measured, without which the offset means another row. */
    sizes: VirtualItem[]
}

const places = new Map<string, ListPlace>()

/** The place at which a list was left, until the page is closed. */
export const useListPlace = (name: string) => ({
    left: places.get(name),
    leave: (place: ListPlace) => places.set(name, place),
})
