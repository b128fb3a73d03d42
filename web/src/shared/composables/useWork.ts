import { reactive } from 'vue'

/** Work that a press began and that may take long. */
export interface Work {
    /** What is done, and to how much: "Placing 40 files". */
    what: string
    /** How much of it is done, from 0 to 1; null where that is not known. */
    share: number | null
    /** Whether it was asked to stop. */
    isStopping: boolean
    stop: () => void
}

const underWay = reactive<Work[]>([])

/** Long work of this page: what is under way is shown at its foot from the first moment on, with a word to cancel it. */
export function useWork() {
    /**
     * Runs work.
     * @param run Is given the signal that stops it, and a function that is told how much of how much is done.
     */
    async function run<T>(
        what: string,
        run: (signal: AbortSignal, tell: (done: number, total: number) => void) => Promise<T>,
    ): Promise<T> {
        const stopper = new AbortController()
        const work = reactive<Work>({ what, share: null, isStopping: false, stop })
        function stop() {
            work.isStopping = true
            stopper.abort()
        }
        underWay.push(work)
        try {
            return await run(stopper.signal, (done, total) => {
                work.share = total > 0 ? Math.min(1, done / total) : null
            })
        } finally {
            underWay.splice(underWay.indexOf(work), 1)
        }
    }

    return { underWay, run }
}
