import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import type { EntryView } from '@/api/client'
import { mounted, Page } from './page'

const page = new Page()
page.install()

/** The server: one entry, which is there under its hash. */
const server = vi.hoisted(() => ({
    text: '',
    isAway: false,
    written: [] as string[],
    held: null as Promise<void> | null,
    /** What a page fetches anew before a change is over for it. */
    fetched: null as Promise<void> | null,
}))
const hashOf = (text: string) => `hash of ${text}`

vi.mock('@/api/client', () => {
    class Problem extends Error {
        constructor(readonly type: string) {
            super(type)
        }
    }
    return {
        Problem,
        data: (answer: unknown) => answer,
        api: {
            // Sound is what can be read and has a price.
            POST: (_: string, { body }: { body: { text: string } }) =>
                server.isAway
                    ? Promise.reject(new Problem('/problems/unreachable'))
                    : Promise.resolve({ faults: /"price": \d+/.test(body.text) ? [] : [{ says: 'no price' }] }),
            PUT: async (_: string, { body, headers }: { body: string; headers: Record<string, string> }) => {
                await server.held
                if (server.isAway) throw new Problem('/problems/unreachable')
                if (headers['If-Match'] !== `"hash of ${server.text}"`) throw new Problem('/problems/stale')
                server.text = body
                server.written.push(body)
                return { hash: `hash of ${body}`, revision: server.written.length }
            },
        },
    }
})
vi.mock('@/api/events', async () => ({ isConnected: (await import('vue')).ref(true) }))
vi.mock('@/shared/composables/usePack', async () => {
    const { ref: value } = await import('vue')
    return {
        useChange: () => ({
            isBusy: value(false),
            run: async (run: () => Promise<unknown>) => {
                const made = await run().catch(() => undefined)
                await server.fetched
                return made
            },
        }),
    }
})

const { useEntryText } = await import('@/stops/define/useEntryText')
const { isConnected } = await import('@/api/events')

const jug = '{\n  "made_of": "red_clay", "price": 4\n}\n'
const dear = jug.replace('4', '40')
const theirs = jug.replace('red', 'white')
const unsound = '{ "made_of": "red_clay" }'
const viewOf = (text: string) => ({ path: 'wares/jug.json', text, hash: hashOf(text), revision: 1 }) as EntryView
const settle = async (ms = 2000) => {
    await vi.advanceTimersByTimeAsync(ms)
    await nextTick()
}
const drafts = () => Object.keys(page.storage)

describe('the text of an entry', () => {
    let entry = ref(viewOf(jug))
    let leave: () => void = () => undefined

    /** The editor of the entry as the server has it. */
    async function open() {
        entry = ref(viewOf(server.text))
        const editor = mounted(() => useEntryText('pack', entry))
        leave = editor.leave
        await settle()
        return editor.made
    }

    beforeEach(() => {
        vi.useFakeTimers()
        Object.assign(server, { text: jug, isAway: false, written: [], held: null, fetched: null })
        isConnected.value = true
    })
    afterEach(async () => {
        leave()
        await settle()
        vi.useRealTimers()
        for (const key of drafts()) page.storage.removeItem(key)
    })

    it('is saved when it is sound and nothing was typed for a moment', async () => {
        const { text, isDirty } = await open()
        text.value = jug.replace('4', '5')
        await settle(300)
        text.value = dear
        await settle()
        expect(server.written).toEqual([dear])
        expect(isDirty.value).toBe(false)
        expect(drafts()).toEqual([])
    })

    it('is no draft any more as soon as it is called saved', async () => {
        const { text, isDirty } = await open()
        let go: () => void = () => undefined
        server.fetched = new Promise((done) => (go = done))
        text.value = dear
        await settle()
        entry.value = viewOf(dear)
        await nextTick()
        expect(isDirty.value).toBe(false)
        expect(drafts()).toEqual([])

        go()
        await settle()
        expect(drafts()).toEqual([])
    })

    it('stays here with every letter while it is not sound, and is saved as it is when it is left', async () => {
        const { text, isSound, faults } = await open()
        text.value = unsound
        expect(drafts()).toHaveLength(1)
        await settle()
        expect(isSound.value).toBe(false)
        expect(faults.value).toHaveLength(1)
        expect(server.written).toEqual([])
        leave()
        await settle()
        expect(server.written).toEqual([unsound])
        expect(drafts()).toEqual([])
    })

    it('keeps what the author wrote around a value that is set', async () => {
        const { text, set } = await open()
        set('/price', 40)
        expect(text.value).toBe(dear)
        set('/price', undefined)
        expect(JSON.parse(text.value)).toEqual({ made_of: 'red_clay' })
    })

    it('follows another page where nothing was typed', async () => {
        const { text, isChangedElsewhere } = await open()
        entry.value = viewOf(dear)
        await settle()
        expect(text.value).toBe(dear)
        expect(isChangedElsewhere.value).toBe(false)
    })

    it('overwrites nothing of another page until the author says so', async () => {
        const { text, isChangedElsewhere, keepMine } = await open()
        const mine = jug.replace('4', '7')
        text.value = mine
        server.text = theirs
        entry.value = viewOf(theirs)
        await settle()
        expect(isChangedElsewhere.value).toBe(true)
        expect(text.value).toBe(mine)
        expect(server.written).toEqual([])
        keepMine()
        await settle()
        expect(server.text).toBe(mine)
    })

    it('takes what another page wrote where the author gives up', async () => {
        const { text, discard } = await open()
        text.value = unsound
        entry.value = viewOf(theirs)
        await settle()
        discard()
        await settle()
        expect(text.value).toBe(theirs)
        expect(server.written).toEqual([])
        expect(drafts()).toEqual([])
    })

    it('is saved again where more was typed while it was saved', async () => {
        const { text, save } = await open()
        let answer: () => void = () => undefined
        server.held = new Promise((done) => (answer = done))
        text.value = dear
        void save()
        await settle(10)
        text.value = jug.replace('4', '41')
        entry.value = viewOf(dear)
        answer()
        await settle()
        expect(server.written).toEqual([dear, jug.replace('4', '41')])
    })

    it.each(['kept open', 'left'])(
        'is saved whole where the last of it was typed long before the first was saved: %s',
        async (how) => {
            const { text } = await open()
            let answer: () => void = () => undefined
            server.held = new Promise((done) => (answer = done))
            text.value = dear
            await settle()
            text.value = jug.replace('4', '41')
            await settle()
            if (how === 'left') leave()
            server.held = null
            answer()
            await settle()
            expect(server.written).toEqual([dear, jug.replace('4', '41')])
            expect(drafts()).toEqual([])
        },
    )

    it('waits here while the server is away, and is saved when it is back', async () => {
        const { text } = await open()
        Object.assign(server, { isAway: true })
        isConnected.value = false
        text.value = dear
        await settle()
        expect(server.written).toEqual([])
        expect(drafts()).toHaveLength(1)
        Object.assign(server, { isAway: false })
        isConnected.value = true
        await settle()
        expect(server.written).toEqual([dear])
    })

    describe('typed in a page that was closed', () => {
        const left = (tab: string, over = jug) =>
            page.storage.setItem(
                `underlay-draft:${tab}:pack:wares/jug.json`,
                JSON.stringify({ pack: 'pack', path: 'wares/jug.json', text: unsound, over, hash: hashOf(over) }),
            )

        it('is there again', async () => {
            left('gone')
            const { text, isChangedElsewhere } = await open()
            expect(text.value).toBe(unsound)
            expect(isChangedElsewhere.value).toBe(false)
            expect(drafts()).toHaveLength(1)
        })

        it('says where the entry was changed since', async () => {
            left('gone', '{}')
            expect((await open()).isChangedElsewhere.value).toBe(true)
        })

        it('is left to a page that is still open', async () => {
            left('other')
            page.held.add('underlay-tab:other')
            expect((await open()).text.value).toBe(jug)
        })
    })
})
