import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { useKeys } from '@/shared/composables/useKeys'
import { stopAddress, stopNames } from '@/shared/composables/useStops'
import { useHelp } from './help/useHelp'

const isHelpOpen = ref(false)
const onUndo = ref<(() => void) | null>(null)
const onRedo = ref<(() => void) | null>(null)
let isBound = false

/** The keys that hold everywhere: numbers for stops, packs and hosts, "/" for search, "?" for the keys, F1 for help, undo and redo. */
export function useAppKeys() {
    const router = useRouter()
    if (!isBound) {
        isBound = true
        bind(router)
    }
    return { isHelpOpen, onUndo, onRedo }
}

function bind(router: ReturnType<typeof useRouter>) {
    function goTo(name: string) {
        const route = router.currentRoute.value
        if (route.params.id) void router.push(stopAddress(route, name))
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
            }
        },
        { capture: true },
    )

    // Where one types, too.
    window.addEventListener('keydown', (event) => {
        if (event.key !== 'F1') return
        event.preventDefault()
        if (!document.querySelector('[role="dialog"]')) useHelp().openHere(router.currentRoute.value)
    })

    // Esc leaves a field for the work around it; from there it leads back.
    window.addEventListener('keydown', (event) => {
        if (event.key !== 'Escape' || event.defaultPrevented || !(event.target instanceof HTMLElement)) return
        if (!event.target.closest('#work :is(input, textarea, select, [contenteditable="true"])')) return
        event.preventDefault()
        document.getElementById('work')?.focus({ preventScroll: true })
    })

    useKeys({
        ...Object.fromEntries(stopNames.map((name, at) => [String(at + 1), () => goTo(name)])),
        '0': () => void router.push({ name: 'packs' }),
        '9': () => void router.push({ name: 'hosts' }),
        '?': () => (isHelpOpen.value = true),
        t: () => document.querySelector<HTMLElement>('[data-tray]')?.focus(),
        '/': () => document.querySelector<HTMLInputElement>('[data-search]')?.focus(),
    })
}
