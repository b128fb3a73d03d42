import { useQuery } from '@tanstack/vue-query'
import { markRaw, ref, toValue, type MaybeRefOrGetter } from 'vue'
import { api, data, type ScriptLineView } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'

type Note = Pick<ScriptLineView, 'speaker' | 'notes'>

/** What is to be recorded for signals, and what can be done with it. */
export function useScript(pack: MaybeRefOrGetter<string>) {
    const change = useChange(pack)
    const path = () => ({ id: toValue(pack) })
    const query = useQuery({
        queryKey: ['pack', () => toValue(pack), 'script'],
        queryFn: () => data(api.GET('/api/packs/{id}/script', { params: { path: path() } })),
        placeholderData: (before) => before,
    })

    /** What was typed, until it is kept or refused: a list that comes in meanwhile does not write over it. */
    const typed = ref(new Map<string, Note>())
    const noteOf = (line: ScriptLineView): Note => ({
        speaker: line.speaker,
        notes: line.notes,
        ...typed.value.get(line.sound),
    })
    const type = (line: ScriptLineView, over: Partial<Note>) =>
        typed.value.set(line.sound, markRaw({ ...noteOf(line), ...over }))
    async function note(line: ScriptLineView) {
        const now = typed.value.get(line.sound)
        if (!now) return
        await change.run(() =>
            data(
                api.POST('/api/packs/{id}/script', {
                    params: { path: path() },
                    body: { notes: [{ sound: line.sound, ...now }] },
                }),
            ),
        )
        if (typed.value.get(line.sound) === now) typed.value.delete(line.sound)
    }

    /** Puts a recording in as the sound of a line, or as a further take of it, with its row and where it is listed. */
    const take = ({ entry, sound }: ScriptLineView, file: File, further = false) =>
        change.run(
            () =>
                data(
                    api.POST('/api/packs/{id}/script/takes', {
                        params: { path: path(), query: { entry, sound, further } },
                        ...bodyOf(file),
                    }),
                ),
            () => (further ? `A further take of ${sound} is recorded.` : `${sound} is recorded.`),
        )

    /** Lets the entry play a sound that is there already. */
    const letPlay = ({ entry, sound }: ScriptLineView) =>
        change.run(
            () =>
                data(api.POST('/api/packs/{id}/script/strokes', { params: { path: path() }, body: { entry, sound } })),
            () => `${entry} plays ${sound}.`,
        )

    /** Takes speakers and notes of a table in. */
    const read = (file: File) =>
        change.run(
            () => data(api.POST('/api/packs/{id}/script/readings', { params: { path: path() }, ...bodyOf(file) })),
            ({ taken, unknown }) =>
                `${taken} of its lines differ and are taken in${
                    unknown.length > 0 ? `; not in the script: ${unknown.slice(0, 4).join(', ')}` : ''
                }.`,
        )

    return { ...query, isBusy: change.isBusy, noteOf, type, note, take, letPlay, read }
}

const bodyOf = (file: File) => ({
    body: file as never,
    bodySerializer: (body: unknown) => body as Blob,
    headers: { 'Content-Type': 'application/octet-stream' },
})
