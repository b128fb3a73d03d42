import { api, data, Problem } from '@/api/client'

/** The text of an entry that was typed and that the pack does not have yet. It is kept in this browser until it has. */
export interface Draft {
    pack: string
    path: string
    /** What was typed. */
    text: string
    /** What it was typed over, and its hash; null for an entry of the base. */
    over: string
    hash: string | null
}

const prefix = 'underlay-draft:'
const keyOf = (tab: string, pack: string, path: string) => `${prefix}${tab}:${pack}:${path}`
const tabOf = (key: string) => key.slice(prefix.length).split(':', 1)[0]!
const lockOf = (tab: string) => `underlay-tab:${tab}`

let tab = sessionStorage.getItem('underlay-tab') ?? crypto.randomUUID()
/** Drafts that an editor of this page has open: it saves them itself. */
const open = new Set<string>()

/** How long a page that is loaded again waits for the one before it to be gone. */
const patience = 1500

/** Takes this page's name; a copy of a page gets a name of its own. */
export const named = new Promise<void>((done) => {
    const hold = () => {
        sessionStorage.setItem('underlay-tab', tab)
        done()
        return new Promise<never>(() => undefined)
    }
    navigator.locks.request(lockOf(tab), { signal: AbortSignal.timeout(patience) }, hold).catch(() => {
        tab = crypto.randomUUID()
        void navigator.locks.request(lockOf(tab), hold)
    })
})

/** The keys of drafts that this page may take up: its own, and those of pages that are gone. */
async function free(): Promise<string[]> {
    await named
    const held = new Set((await navigator.locks.query()).held?.map((lock) => lock.name))
    return Object.keys(localStorage).filter(
        (key) => key.startsWith(prefix) && (tabOf(key) === tab || !held.has(lockOf(tabOf(key)))),
    )
}

function read(key: string): Draft | null {
    try {
        return JSON.parse(localStorage.getItem(key) ?? 'null') as Draft | null
    } catch {
        return null
    }
}

/** An editor will have the entry's draft: it is not saved behind its back while the entry is fetched. */
export const claim = (pack: string, path: string) => void named.then(() => open.add(keyOf(tab, pack, path)))

/** The draft of an entry that was left behind, now this page's own; an editor has it from here on. */
export async function adopt(pack: string, path: string): Promise<Draft | null> {
    const mine = keyOf((await named, tab), pack, path)
    open.add(mine)
    const keys = (await free()).filter((key) => key.endsWith(`:${pack}:${path}`))
    const key = keys.find((k) => k === mine) ?? keys[0]
    const draft = key ? read(key) : null
    if (!draft || !key) return null
    if (key !== mine) localStorage.removeItem(key)
    keep(draft)
    return draft
}

/** Keeps what was typed. */
export const keep = (draft: Draft) => localStorage.setItem(keyOf(tab, draft.pack, draft.path), JSON.stringify(draft))

/** Lets a draft go: the pack has it, or the author does not want it. */
export const drop = (pack: string, path: string) => localStorage.removeItem(keyOf(tab, pack, path))

/** An editor is gone; what it left is saved when the server answers. */
export const close = (pack: string, path: string) => open.delete(keyOf(tab, pack, path))

// What this page wrote itself was not changed by another.
const written = new Set<string>()
export const isOwn = (hash: string | null) => hash !== null && written.has(hash)

/** SHA-256 of a text in UTF-8, as the pack names its files. */
async function hashOf(text: string): Promise<string> {
    const hash = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text))
    return [...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join('')
}

/** Writes a draft into the pack, if that still has what it was typed over. */
export async function write(draft: Draft): Promise<{ hash: string; revision: number }> {
    const made = await data(
        api.PUT('/api/packs/{id}/file', {
            params: { path: { id: draft.pack }, query: { path: draft.path } },
            headers: {
                'Content-Type': 'application/octet-stream',
                ...(draft.hash ? { 'If-Match': `"${draft.hash}"` } : { 'If-None-Match': '*' }),
            },
            body: draft.text as never,
            bodySerializer: (body: unknown) => new Blob([body as string], { type: 'application/octet-stream' }),
        }),
    ).catch(async (problem: unknown) => {
        // Sent twice, because the answer to the first was lost: the pack has it.
        if (!(problem instanceof Problem) || problem.type !== '/problems/made-before') throw problem
        return { hash: await hashOf(draft.text), revision: 0 }
    })
    written.add(made.hash)
    return made
}

/** Saves all drafts that no editor has open. One that cannot be saved stays, and is shown when its entry is opened. */
export async function saveLeft(): Promise<void> {
    for (const key of await free()) {
        const draft = read(key)
        if (!draft || open.has(key)) continue
        try {
            await write(draft)
            localStorage.removeItem(key)
        } catch (problem) {
            if (!(problem instanceof Problem)) throw problem
            if (problem.type === '/problems/no-pack') localStorage.removeItem(key)
        }
    }
}
