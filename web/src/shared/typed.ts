import { computed, onBeforeUnmount, shallowReactive, watchEffect } from 'vue'

/** What was typed on this page and is not in the pack yet. */
interface Typed {
    /** In what. */
    title: string
    /** Takes it back, and gives what puts it back again. */
    takeBack: () => () => void
}

const all = shallowReactive(new Set<Typed>())

/** The last of it: an undo takes this back before any change of the pack. */
export const lastTyped = computed(() => [...all].at(-1) ?? null)

/** Tells of what is typed, as long as there is something. */
export function useTyped(isThere: () => boolean, typed: Typed) {
    watchEffect(() => (isThere() ? all.add(typed) : all.delete(typed)))
    onBeforeUnmount(() => all.delete(typed))
}
