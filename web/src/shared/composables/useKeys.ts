import { onBeforeUnmount, onMounted } from 'vue'

type Handlers = Record<string, (event: KeyboardEvent) => void>

const pressed = new Set(['checkbox', 'radio', 'button', 'submit', 'file', 'range', 'color'])

/** True where a key would be typed into what has the focus. */
const isTyping = (target: EventTarget | null) =>
    target instanceof HTMLElement &&
    (target.isContentEditable ||
        ['TEXTAREA', 'SELECT'].includes(target.tagName) ||
        (target instanceof HTMLInputElement && !pressed.has(target.type)))

const isInDialog = () => document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]') !== null

/** Keys that buttons, links and boxes act on themselves, and those that only some do. */
const own = new Set(['Enter', ' '])
const arrows = new Set(['ArrowUp', 'ArrowDown'])

/** The name of what was pressed: "f", "Ctrl+a", "Shift+ArrowDown". */
function nameOf(event: KeyboardEvent) {
    const shift = event.shiftKey && event.key.length > 1 ? 'Shift+' : ''
    return `${event.ctrlKey || event.metaKey ? 'Ctrl+' : ''}${shift}${event.key}`
}

/** Single keys of a view; they rest while the author types or a dialog is open. */
export function useKeys(handlers: Handlers) {
    function onKey(event: KeyboardEvent) {
        if (event.defaultPrevented || event.altKey) return
        if (isTyping(event.target) || isInDialog()) return
        const isOn = (what: string) => event.target instanceof HTMLElement && event.target.closest(what) !== null
        if (own.has(event.key) && isOn('button, a, input, summary, [role="tab"]')) return
        if (arrows.has(event.key) && isOn('input, [role="tab"], [role="slider"], [aria-haspopup]')) return
        const handler = handlers[nameOf(event)]
        if (!handler) return
        event.preventDefault()
        handler(event)
    }
    onMounted(() => window.addEventListener('keydown', onKey))
    onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
}
