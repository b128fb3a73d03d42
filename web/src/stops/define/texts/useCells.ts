import { useTimeoutFn } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { api, data, type CellChange } from '@/api/client'
import { isConnected } from '@/api/events'
import { useKept } from '@/shared/composables/useKept'
import { useChange } from '@/shared/composables/usePack'

// A pause in typing after which a cell is saved, in milliseconds.
const pause = 1000

const nameOf = (key: string, language: string) => `${language} ${key}`

/**
 * Cells while they are typed into: kept in the browser with every letter, saved a moment later or when they are left, as one change
 * with all that was typed since.
 */
export function useCells(pack: MaybeRefOrGetter<string>) {
    const change = useChange(pack)
    const kept = useKept(() => `texts ${toValue(pack)}`)
    const typed = ref(new Map<string, CellChange>(kept.value ? (JSON.parse(kept.value) as [string, CellChange][]) : []))
    watch(typed, (now) => (kept.value = now.size > 0 ? JSON.stringify([...now]) : null), { deep: true, flush: 'sync' })
    /** What the server did not take is not sent again until it is touched. */
    const refused = ref(new Set<string>())
    /** Keys of the texts that were typed into, so that a list keeps their rows where they are. */
    const touched = ref(new Set([...typed.value.values()].map(({ key }) => key)))
    const later = useTimeoutFn(() => void save(), pause, { immediate: false })

    function type(key: string, language: string, was: string, says: string) {
        const name = nameOf(key, language)
        refused.value.delete(name)
        touched.value.add(key)
        if (says === was) typed.value.delete(name)
        else typed.value.set(name, { key, language, was, says })
        later.start()
    }

    let saving: Promise<void> | null = null
    function save(): Promise<void> {
        later.stop()
        return (saving ??= saveNow().then(() => {
            saving = null
            // The pause of what was typed meanwhile may be over too: nothing else would send it.
            if (isConnected.value && unsent().length > 0) later.start()
        }))
    }
    const unsent = () => [...typed.value].filter(([name]) => !refused.value.has(name))
    async function saveNow() {
        const sent = unsent()
        if (sent.length === 0 || !isConnected.value) return
        const changes = sent.map(([, cell]) => cell)
        const made = await change.run(
            () =>
                data(api.POST('/api/packs/{id}/texts', { params: { path: { id: toValue(pack) } }, body: { changes } })),
            undefined,
            { isKept: true },
        )
        for (const [name, cell] of sent) {
            const now = typed.value.get(name)
            if (!made) {
                if (isConnected.value) refused.value.add(name)
            } else if (now?.says === cell.says) typed.value.delete(name)
            // Typed on meanwhile, over what was just saved.
            else if (now) now.was = cell.says
        }
    }
    watch(isConnected, (now) => now && void save())
    onBeforeUnmount(async () => {
        await saving
        await save()
    })
    if (typed.value.size > 0) later.start()

    return {
        touched,
        /** What was typed into a cell and is not saved; undefined where nothing was. */
        at: (key: string, language: string) => typed.value.get(nameOf(key, language))?.says,
        isRefused: (key: string, language: string) => refused.value.has(nameOf(key, language)),
        type,
        save,
        drop(key: string, language: string) {
            typed.value.delete(nameOf(key, language))
            refused.value.delete(nameOf(key, language))
        },
        state: computed(() =>
            typed.value.size === 0
                ? 'saved'
                : !isConnected.value
                  ? 'kept in this browser; saved when Underlay answers'
                  : refused.value.size > 0
                    ? 'some were not taken: look at them again'
                    : 'saving …',
        ),
    }
}
