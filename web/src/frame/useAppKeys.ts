import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { useKeys } from '@/shared/composables/useKeys'

const isHelpOpen = ref(false)
const onUndo = ref<(() => void) | null>(null)
const onRedo = ref<(() => void) | null>(null)
let isBound = false

const stops: Record<string, string> = { g: 'gather', s: 'shape', d: 'define', v: 'prove', r: 'release' }

/** The keys that hold everywhere: "g" and a stop, "/" for search, "?" for help, Ctrl+Z and Ctrl+Shift+Z. */
export function useAppKeys() {
    const router = useRouter()
    if (!isBound) {
        isBound = true
        bind(router)
    }
    return { isHelpOpen, onUndo, onRedo }
}

function bind(router: ReturnType<typeof useRouter>) {
    let isGoing = false
    let timer: ReturnType<typeof setTimeout> | undefined

    function go(key: string) {
        const route = router.currentRoute.value
        if (key === 'p') return router.push({ name: 'packs' })
        if (key === 'h') return router.push({ name: 'hosts' })
        const name = stops[key]
        if (name && route.params.id) {
            const query = typeof route.query.place === 'string' ? { place: route.query.place } : {}
            return router.push({ name, params: { id: route.params.id }, query })
        }
    }

    window.addEventListener(
        'keydown',
        (event) => {
            const typing =
                event.target instanceof HTMLElement &&
                event.target.closest('input, textarea, select, [contenteditable="true"], [role="dialog"]')
            if (!typing && (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
                event.preventDefault()
                if (event.shiftKey) onRedo.value?.()
                else onUndo.value?.()
                return
            }
            if (!isGoing || typing || event.ctrlKey || event.metaKey || event.altKey) return
            clearTimeout(timer)
            isGoing = false
            if (event.key === 'p' || event.key === 'h' || stops[event.key]) {
                event.preventDefault()
                event.stopPropagation()
                void go(event.key)
            }
        },
        { capture: true },
    )

    // Esc leaves a field for the work around it; from there it leads back.
    window.addEventListener('keydown', (event) => {
        if (event.key !== 'Escape' || event.defaultPrevented || !(event.target instanceof HTMLElement)) return
        if (!event.target.closest('#work :is(input, textarea, select, [contenteditable="true"])')) return
        event.preventDefault()
        document.getElementById('work')?.focus({ preventScroll: true })
    })

    useKeys({
        g: () => {
            isGoing = true
            timer = setTimeout(() => (isGoing = false), 1500)
        },
        '?': () => (isHelpOpen.value = true),
        t: () => document.querySelector<HTMLElement>('[data-tray]')?.focus(),
        '/': () => document.querySelector<HTMLInputElement>('[data-search]')?.focus(),
    })
}
