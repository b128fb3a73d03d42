import { computed, ref, toValue, type MaybeRefOrGetter } from 'vue'
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
    /** What this page marked: it may stand in a text that is not saved yet. */
    const sent = ref(new Map<string, unknown>())
    const isAs = (pointer: string, held: unknown) =>
        JSON.stringify(valueAt(toValue(value), pointer)) === JSON.stringify(held)
    /** Those that are as they were when they were marked, and as they stand now; the entry as a whole is named by "". */
    const marked = computed(
        () =>
            new Set([
                ...toValue(entry).later.filter((at) => at === '' || isAs(at, valueAt(saved.value, at))),
                ...[...sent.value].filter(([at, held]) => isAs(at, held)).map(([at]) => at),
            ]),
    )

    async function send(values: Record<string, unknown>, isLater: boolean) {
        const marks = Object.entries(values)
        for (const [pointer, held] of marks)
            if (isLater && pointer !== '') sent.value.set(pointer, held)
            else sent.value.delete(pointer)
        await change.run(() =>
            data(
                api.POST('/api/packs/{id}/entry/later', {
                    params: { path: { id: toValue(pack) } },
                    body: {
                        path: toValue(entry).path,
                        marks: marks.map(([pointer, held]) => ({ pointer, value: held ?? null })),
                        isLater,
                    },
                }),
            ),
        )
    }

    return { isLater: (pointer: string) => marked.value.has(pointer), send }
}
