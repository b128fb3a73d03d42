import { computed, toValue, type MaybeRefOrGetter, type Ref } from 'vue'
import { api, data, Problem, type PictureView, type StepView } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'

/** The shaping steps of the picture that is shown: each change is one operation, and the source is kept. */
export function useSteps(id: MaybeRefOrGetter<string>, picture: Ref<PictureView | undefined>) {
    const change = useChange(id)
    const list = computed(() => picture.value?.steps.map((plate) => plate.step) ?? [])

    function set(steps: StepView[], done: string) {
        const path = picture.value!.path
        return change.run(
            () =>
                data(
                    api.PUT('/api/packs/{id}/picture/steps', {
                        params: { path: { id: toValue(id) } },
                        body: { path, steps },
                    }),
                ),
            () => done,
        )
    }

    return {
        isBusy: change.isBusy,
        add: (step: StepView, title: string) => set([...list.value, step], `${title}: done. The source is kept.`),
        change: (index: number, step: StepView) => set(list.value.with(index, step), 'The step is changed.'),
        remove: (index: number) => set(list.value.toSpliced(index, 1), 'The step is taken off.'),
        move: (index: number, by: number) => {
            const step = list.value[index]!
            return set(list.value.toSpliced(index, 1).toSpliced(index + by, 0, step), 'The steps run in the new order.')
        },
        /** Takes a file as the new source; the same steps run again. */
        renew: (file: File) =>
            change.run(
                async () => {
                    const path = picture.value!.path
                    const answer = await fetch(
                        `/api/packs/${toValue(id)}/picture/source?path=${encodeURIComponent(path)}`,
                        {
                            method: 'PUT',
                            headers: { 'Content-Type': 'application/octet-stream' },
                            body: file,
                        },
                    ).catch(() => {
                        throw Problem.unreachable()
                    })
                    if (!answer.ok) throw Problem.of(await answer.json())
                    return (await answer.json()) as { revision: number }
                },
                () =>
                    list.value.length > 0
                        ? `${file.name} is the new source; its steps ran again.`
                        : `${file.name} took the picture’s place.`,
            ),
    }
}

export type Steps = ReturnType<typeof useSteps>
