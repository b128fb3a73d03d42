/** How often a write is sent again while the database is away, and while there is no answer at all. */
const mostWaits = 20
const mostTries = 2

const rest = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds))

/** Known to be: then it is no use to ask again soon. Tests run it outside a browser. */
const isOffline = () => typeof navigator !== 'undefined' && navigator.onLine === false

/** Whether somebody stopped a request, as fetch tells it (the DOM standard's abort). */
export const isStopped = (problem: unknown) => problem instanceof DOMException && problem.name === 'AbortError'

/** What an answer needs to tell, whether of fetch or of an upload. */
interface Answer {
    status: number
    headers: { get(name: string): string | null }
}

/**
 * Sends a request. A write is named by a key, and sent again with it while the server says to ask later or does not answer:
 * it is made once, whatever became of the first.
 */
export async function askAgain<T extends Answer>(
    method: string,
    send: (headers: [string, string][]) => Promise<T>,
): Promise<T> {
    if (method === 'GET') return send([])
    const key: [string, string] = ['Idempotency-Key', crypto.randomUUID()]
    for (let waits = 0, tries = 0; ;) {
        try {
            const answer = await send([key])
            const after = Number(answer.headers.get('Retry-After'))
            if (answer.status !== 503 || !after || ++waits > mostWaits) return answer
            await rest(after * 1000)
        } catch (problem) {
            if (isStopped(problem) || isOffline() || ++tries > mostTries) throw problem
            await rest(tries * 500)
        }
    }
}
