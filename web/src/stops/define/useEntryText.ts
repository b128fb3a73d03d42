import { refDebounced } from '@vueuse/core'
import { applyEdits, modify, parse, type ParseError } from 'jsonc-parser'
import { computed, ref, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { api, data, type EntryView, type FaultView } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'
import { pathOf } from './schema'

/** The text of an entry while it is edited: the form and the text are two views of it, and it is judged as it is typed. */
export function useEntryText(pack: MaybeRefOrGetter<string>, entry: MaybeRefOrGetter<EntryView>) {
    const change = useChange(pack)
    const text = ref(toValue(entry).text)
    /** What stands in the pack as far as this page knows: the text that edits began from, and its hash. */
    const known = ref({ text: toValue(entry).text, hash: toValue(entry).hash })
    const isChangedElsewhere = ref(false)
    const isDirty = computed(() => text.value !== known.value.text)

    watch(
        () => toValue(entry),
        (now) => {
            if (now.hash === known.value.hash && now.text === known.value.text) return
            if (isDirty.value && text.value !== now.text) isChangedElsewhere.value = true
            else take(now)
        },
    )
    function take(now: EntryView) {
        known.value = { text: now.text, hash: now.hash }
        text.value = now.text
        isChangedElsewhere.value = false
    }

    const value = computed<unknown>(() => {
        const errors: ParseError[] = []
        const found: unknown = parse(text.value, errors)
        return errors.length === 0 && typeof found === 'object' && found !== null ? found : null
    })

    const faults = ref<readonly FaultView[]>([])
    const typed = refDebounced(text, 200)
    watch(
        [typed, () => toValue(entry).revision],
        async () => {
            const judged = typed.value
            const path = { id: toValue(pack) }
            const result = await data(
                api.POST('/api/packs/{id}/entry/judgements', {
                    params: { path },
                    body: { path: toValue(entry).path, text: judged },
                }),
            ).catch(() => null)
            if (result && judged === typed.value) faults.value = result.faults
        },
        { immediate: true },
    )

    /** Sets or takes away one value; the rest of the text stays as the author wrote it. */
    function set(pointer: string, now: unknown) {
        text.value = applyEdits(
            text.value,
            modify(text.value, pathOf(pointer), now, { formattingOptions: { insertSpaces: true, tabSize: 2 } }),
        )
    }

    async function save(): Promise<boolean> {
        const saved = text.value
        const { path } = toValue(entry)
        const made = await change.run(
            () =>
                data(
                    api.PUT('/api/packs/{id}/file', {
                        params: { path: { id: toValue(pack) }, query: { path } },
                        headers: {
                            'Content-Type': 'application/octet-stream',
                            ...(known.value.hash ? { 'If-Match': `"${known.value.hash}"` } : { 'If-None-Match': '*' }),
                        },
                        body: saved as never,
                        bodySerializer: (body: unknown) =>
                            new Blob([body as string], { type: 'application/octet-stream' }),
                    }),
                ),
            () => `${path} is saved.`,
        )
        if (!made) return false
        known.value = { text: saved, hash: made.hash }
        isChangedElsewhere.value = false
        return true
    }

    /** Goes on with what was typed; saving then replaces what the other page wrote. */
    function keepMine() {
        const now = toValue(entry)
        known.value = { text: now.text, hash: now.hash }
        isChangedElsewhere.value = false
    }

    return {
        text,
        value,
        faults,
        isDirty,
        isChangedElsewhere,
        isBusy: change.isBusy,
        set,
        save,
        keepMine,
        discard: () => take(toValue(entry)),
    }
}
