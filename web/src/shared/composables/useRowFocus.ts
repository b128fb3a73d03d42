import { nextTick, onBeforeUnmount, onMounted, ref, watch, type Ref } from 'vue'

/** True where nothing has the focus but the page, or the work as a whole. */
export const isNowhere = () =>
    document.activeElement === null || document.activeElement === document.body || document.activeElement.id === 'work'

/**
 * The row that has, or last had, the focus. Where it goes from under the focus, mended or placed perhaps, the row that
 * follows has the focus next. Rows have their key as data-key.
 */
export function useRowFocus(
    box: Ref<HTMLElement | undefined>,
    keys: () => readonly string[],
    focus: (key: string) => void,
) {
    const current = ref<string | null>(null)
    let at = 0
    let isInside = false

    function onFocus(event: FocusEvent) {
        // The frame may take the focus of a press that cannot be pressed for a moment, before its row is gone.
        if (isNowhere()) return
        const row = (event.target as HTMLElement).closest<HTMLElement>('[data-key]')
        isInside = row !== null && box.value?.contains(row) === true
        if (!isInside) return
        current.value = row!.dataset.key!
        at = Math.max(0, keys().indexOf(current.value))
    }
    onMounted(() => document.addEventListener('focusin', onFocus))
    onBeforeUnmount(() => document.removeEventListener('focusin', onFocus))

    watch(keys, async (now) => {
        const found = now.indexOf(current.value ?? '')
        if (found >= 0) at = found
        await nextTick()
        const next = now[Math.min(at, now.length - 1)]
        if (isInside && isNowhere() && next) focus(next)
    })

    return { current }
}
