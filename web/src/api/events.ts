import type { QueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'

/** What the server tells: a pack has a new revision, a job has moved on, or events may have been missed. */
interface ServerEvent {
    kind: 'pack' | 'job' | 'again'
    pack: string | null
    revision: number | null
    job: string | null
}

/** False while the server does not answer. */
export const isConnected = ref(true)

/** Listens to what the server tells and marks what it touches as stale: open pages fetch it again at once. */
export function listen(queries: QueryClient) {
    const source = new EventSource('/api/events')
    const on = (kind: string, act: (event: ServerEvent) => void) =>
        source.addEventListener(kind, (message) =>
            act(JSON.parse((message as MessageEvent<string>).data) as ServerEvent),
        )
    on('pack', ({ pack }) => {
        void queries.invalidateQueries({ queryKey: ['pack', pack] })
        void queries.invalidateQueries({ queryKey: ['packs'] })
    })
    on('job', ({ pack, job }) => {
        void queries.invalidateQueries({ queryKey: ['job', job] })
        void queries.invalidateQueries({ queryKey: ['jobs', pack] })
        void queries.invalidateQueries({ queryKey: ['releases', pack] })
    })
    // Sent at the start of every connection: what happened in between is not known.
    let first = true
    on('again', () => {
        if (!first) void queries.invalidateQueries()
        first = false
    })
    source.onopen = () => (isConnected.value = true)
    source.onerror = () => (isConnected.value = false)
}
