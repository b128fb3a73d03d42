import { computed, toValue, type MaybeRefOrGetter, type Ref } from 'vue'
import { api, data } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'
import { useSource } from '@/shared/composables/useSource'

/** A step as packs keep it (docs/pack-files.md): its word, and its fields. */
export type Step = { do: string } & Record<string, unknown>

/** The shaping steps of the picture or sound that is shown: each change is one operation, and the source is kept. */
export function useSteps(
    id: MaybeRefOrGetter<string>,
    shown: Ref<{ path: string; steps: { step: object }[] } | undefined>,
    of: 'picture' | 'sound' = 'picture',
) {
    const change = useChange(id)
    const source = useSource(id, of)
    const list = computed(() => shown.value?.steps.map((plate) => plate.step as unknown as Step) ?? [])

    function set(steps: Step[], done: string) {
        const path = shown.value!.path
        return change.run(
            () =>
                data(
                    api.PUT(`/api/packs/{id}/${of}/steps`, {
                        params: { path: { id: toValue(id) } },
                        body: { path, steps },
                    }),
                ),
            () => done,
        )
    }

    return {
        list,
        set,
        isBusy: computed(() => change.isBusy.value || source.isBusy.value),
        add: (step: Step, title: string) => set([...list.value, step], `${title}: done. The source is kept.`),
        change: (index: number, step: Step) => set(list.value.with(index, step), 'The step is changed.'),
        remove: (index: number) => set(list.value.toSpliced(index, 1), 'The step is taken off.'),
        move: (index: number, by: number) => {
            const step = list.value[index]!
            return set(list.value.toSpliced(index, 1).toSpliced(index + by, 0, step), 'The steps run in the new order.')
        },
        /** Takes a file as the new source; the same steps run again. */
        renew: (file: File) => source.renew(shown.value!.path, file, undefined, list.value.length > 0),
    }
}

export type Steps = ReturnType<typeof useSteps>
