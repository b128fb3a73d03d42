import { ref } from 'vue'

export interface Message {
    text: string
    isProblem: boolean
    /** A word to press, such as Undo. */
    act?: { word: string; run: () => void }
}

const shown = ref<Message | null>(null)
let timer: ReturnType<typeof setTimeout> | undefined

/** The line at the foot of the page that tells what was done or what went wrong. */
export function useMessages() {
    function tell(message: Message) {
        clearTimeout(timer)
        shown.value = message
        // Problems stay until they are read.
        if (!message.isProblem) timer = setTimeout(() => (shown.value = null), 8000)
    }
    return {
        shown,
        say: (text: string, act?: Message['act']) => tell({ text, isProblem: false, act }),
        warn: (text: string, act?: Message['act']) => tell({ text, isProblem: true, act }),
        hush: () => (shown.value = null),
    }
}
