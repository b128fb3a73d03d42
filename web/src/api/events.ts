import type { QueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { renew } from './renew'

/** What the server tells: a pack has a new revision, a job has moved on, its database is away, or events may have been missed. */
interface ServerEvent {
    kind: 'pack' | 'job' | 'away' | 'again'
    pack: string | null
    revision: number | null
    job: string | null
}

type Told = { event: ServerEvent } | { isConnected: boolean }

/** False while the server does not answer, or has no database to answer from. */
export const isConnected = ref(true)

/** Listens to what the server tells and marks what it touches as stale: open pages fetch it again at once. */
export function listen(queries: QueryClient) {
    const pages = new BroadcastChannel('underlay-events')
    // A channel does not reach the page that posts.
    const tell = (told: Told) => {
        take(told)
        pages.postMessage(told)
    }

    function take(told: Told) {
        if ('isConnected' in told) {
            isConnected.value = told.isConnected
            return
        }
        const { kind, pack, job } = told.event
        if (kind === 'away') isConnected.value = false
        else if (kind === 'again') {
            isConnected.value = true
            void queries.invalidateQueries()
        } else if (kind === 'pack') {
            void renew(queries, ['pack', pack])
            void renew(queries, ['packs'])
        } else {
            void renew(queries, ['job', job])
            void renew(queries, ['jobs', pack])
            void renew(queries, ['releases', pack])
        }
    }

    pages.onmessage = (message: MessageEvent<Told>) => take(message.data)

    // Browsers allow few connections to a server: one page listens for all, and when it closes another takes over.
    void navigator.locks.request('underlay-events', () => {
        connect(tell)
        return new Promise<never>(() => undefined)
    })
}

function connect(tell: (told: Told) => void) {
    const source = new EventSource('/api/events')
    for (const kind of ['pack', 'job', 'away', 'again'])
        source.addEventListener(kind, (message) =>
            tell({ event: JSON.parse((message as MessageEvent<string>).data) as ServerEvent }),
        )
    // What it tells first is whether it has its database.
    source.onerror = () => tell({ isConnected: false })
    // Without a network a stream may stay silent for long before it fails.
    window.addEventListener('offline', () => tell({ isConnected: false }))
    window.addEventListener('online', () => source.readyState === EventSource.OPEN && tell({ isConnected: true }))
}
