import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { api, data, type EntryView } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'
import { parsed, valueAt } from './schema'

/** The author's “later”: which values of an entry are still to be set. */
export function useLater(
    pack: MaybeRefOrGetter<string>,
    entry: MaybeRefOrGetter<EntryView>,
    value: MaybeRefOrGetter<unknown>,
) {
    const change = useChange(pack)
    const saved = computed(() => parsed(toValue(entry).text))
    /** Those that are as they were when they were marked, and as they stand now; the entry as a whole is named by "". */
    const marked = computed(
        () =>
            new Set(
                toValue(entry).later.filter(
                    (pointer) =>
                        pointer === '' ||
                        JSON.stringify(valueAt(toValue(value), pointer)) ===
                            JSON.stringify(valueAt(saved.value, pointer)),
                ),
            ),
    )

    const send = (values: Record<string, unknown>, isLater: boolean) =>
        change.run(() =>
            data(
                api.POST('/api/packs/{id}/entry/later', {
                    params: { path: { id: toValue(pack) } },
                    body: {
                        path: toValue(entry).path,
                        marks: Object.entries(values).map(([pointer, held]) => ({ pointer, value: held ?? null })),
                        isLater,
                    },
                }),
            ),
        )

    return { isLater: (pointer: string) => marked.value.has(pointer), send }
}
