import { nextTick, onBeforeUnmount, onMounted, type Ref } from 'vue'
import { useListPlace } from './useListPlace'
import { isNowhere } from './useRowFocus'

/** Keeps where a view was scrolled to, and in which of its rows (by data-key) the focus was, until one comes back. */
export function useScrollPlace(name: string, box: Ref<HTMLElement | undefined>) {
    const { left, leave } = useListPlace(name)

    onMounted(async () => {
        await nextTick()
        if (!left || !box.value) return
        box.value.scrollTop = left.offset
        const row = box.value.querySelector(`[data-key="${CSS.escape(left.key ?? '')}"]`)
        if (isNowhere()) row?.querySelector<HTMLElement>('a, button')?.focus({ preventScroll: true })
    })
    let key: string | null = null
    const note = (event: FocusEvent) => {
        key = (event.target as HTMLElement).closest<HTMLElement>('[data-key]')?.dataset.key ?? key
    }
    onMounted(() => box.value?.addEventListener('focusin', note))
    onBeforeUnmount(() => leave({ key, offset: box.value?.scrollTop ?? 0, sizes: [] }))
}
