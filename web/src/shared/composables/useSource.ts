import { toValue, type MaybeRefOrGetter } from 'vue'
import { askAgain } from '@/api/askAgain'
import { Problem, type SourceTaken } from '@/api/client'
import { useMessages } from './useMessages'
import { useChange } from './usePack'

/**
 * Gives pictures and sounds new sources. A picture that looks like the result of its steps is taken as it is, unless the author says
 * otherwise.
 */
export function useSource(id: MaybeRefOrGetter<string>, of: 'picture' | 'sound' = 'picture') {
    const change = useChange(id)
    const { say } = useMessages()

    async function send(path: string, file: File, as?: 'source' | 'result'): Promise<SourceTaken> {
        const query = new URLSearchParams({ path, ...(as ? { as } : {}) })
        const answer = await askAgain('PUT', (key) =>
            fetch(`/api/packs/${toValue(id)}/${of}/source?${query}`, {
                method: 'PUT',
                headers: [['Content-Type', 'application/octet-stream'], ...key],
                body: file,
            }),
        ).catch((problem: unknown) => {
            throw Problem.unanswered(problem)
        })
        if (!answer.ok) throw Problem.of(await answer.json())
        return (await answer.json()) as SourceTaken
    }

    /** @param hasSteps Whether the picture has steps, which run again on a new source. */
    async function renew(path: string, file: File, as?: 'source' | 'result', hasSteps = true) {
        const made = await change.run(
            () => send(path, file, as),
            () =>
                hasSteps
                    ? `${file.name} is the new source; its steps ran again.`
                    : `${file.name} took the ${of}’s place.`,
        )
        if (made?.asResult)
            say(`${file.name} is what the steps made, drawn on further: it was taken as it is.`, {
                word: 'Run the steps on it all the same',
                run: () => void renew(path, file, 'source'),
            })
        return made !== undefined
    }

    return { isBusy: change.isBusy, renew }
}
