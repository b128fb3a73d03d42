import { createRenderer, defineComponent } from 'vue'

/** What drafts need of a browser: storage, and locks that pages hold for as long as they are open. */
export class Page {
    readonly held = new Set<string>()
    readonly storage = storage()

    /** Makes it the browser that the code under test finds. */
    install() {
        Object.assign(globalThis, { localStorage: this.storage, sessionStorage: storage() })
        const locks = {
            request: (name: string, ...rest: unknown[]) => {
                this.held.add(name)
                return (rest.at(-1) as () => Promise<never>)()
            },
            query: () => Promise.resolve({ held: [...this.held].map((name) => ({ name })) }),
        }
        Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true })
    }
}

/** As browsers have it: what is stored stands among its own keys. */
function storage(): Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> {
    const kept = {} as Record<string, string>
    const methods: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> = {
        getItem: (key) => kept[key] ?? null,
        setItem: (key, value) => void (kept[key] = value),
        removeItem: (key) => void Reflect.deleteProperty(kept, key),
    }
    for (const [name, value] of Object.entries(methods)) Object.defineProperty(kept, name, { value })
    return kept as never
}

const { createApp } = createRenderer<object, object>({
    createElement: () => ({}),
    createText: () => ({}),
    createComment: () => ({}),
    insert: () => undefined,
    remove: () => undefined,
    setText: () => undefined,
    setElementText: () => undefined,
    patchProp: () => undefined,
    parentNode: () => null,
    nextSibling: () => null,
})

/** Runs what a component's setup would, until it is left. */
export function mounted<T>(setup: () => T): { made: T; leave: () => void } {
    let made!: T
    const app = createApp(
        defineComponent(() => {
            made = setup()
            return () => null
        }),
    )
    app.mount({})
    return { made, leave: () => app.unmount() }
}
