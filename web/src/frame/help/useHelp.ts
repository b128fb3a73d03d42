import { nextTick, ref } from 'vue'
import type { RouteLocationNormalizedLoaded } from 'vue-router'

const isOpen = ref(false)
/** The page that is shown; empty for the contents. */
const topic = ref('')
/** What had the focus before. */
let opener: Element | null = null

/** The page of the guide that goes with a stop. */
const byStop: Record<string, string> = {
    packs: 'guide/2-begin-a-pack',
    gather: 'guide/3-gather-your-files',
    shape: 'guide/5-look-closer',
    define: 'guide/5-look-closer',
    prove: 'guide/4-mend-what-would-fail',
    trial: 'guide/6-try-it',
    release: 'guide/7-release-it',
}

/** The finding where one stands: the one that has the focus, or the first of the row that has it. */
function codeAtFocus(): string | undefined {
    const at = document.activeElement
    const finding = at?.closest<HTMLElement>('[data-code]') ?? at?.querySelector<HTMLElement>('[data-code]')
    return finding?.dataset.code
}

/** Help, which opens as a sheet over the page. */
export function useHelp() {
    function open(key = '') {
        topic.value = key
        if (!isOpen.value) opener = document.activeElement
        isOpen.value = true
    }
    /** Closes it; what had the focus has it again. */
    async function close() {
        isOpen.value = false
        await nextTick()
        if (opener instanceof HTMLElement) opener.focus()
    }
    /** Help for where one stands: the finding that has the focus, else the stop. */
    function openHere(route: RouteLocationNormalizedLoaded) {
        const code = codeAtFocus()
        open(code ? `checks/${code}` : (byStop[String(route.name)] ?? ''))
    }
    return { isOpen, topic, open, close, openHere, openCheck: (code: string) => open(`checks/${code}`) }
}
