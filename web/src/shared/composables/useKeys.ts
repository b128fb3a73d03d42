import { onBeforeUnmount, onMounted } from 'vue'

type Handlers = Record<string, (event: KeyboardEvent) => void>

const isTyping = (target: EventTarget | null) =>
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))

const isInDialog = () => document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]') !== null

/** Single keys of a view; they rest while the author types or a dialog is open. */
export function useKeys(handlers: Handlers) {
    function onKey(event: KeyboardEvent) {
        if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return
        if (isTyping(event.target) || isInDialog()) return
        // A button that has the focus keeps its own keys.
        const onButton = event.target instanceof HTMLElement && event.target.closest('button, a') !== null
        if (onButton && (event.key === 'Enter' || event.key === ' ')) return
        const handler = handlers[event.key]
        if (!handler) return
        event.preventDefault()
        handler(event)
    }
    onMounted(() => window.addEventListener('keydown', onKey))
    onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
}
