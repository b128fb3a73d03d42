import { computed, type MaybeRefOrGetter, type Ref } from 'vue'
import type { PartOfRecording, RecordingView } from '@/api/client'
import { useKept } from '@/shared/composables/useKept'

/** A part with what it is to be called; empty where no name is left for it. */
export interface NamedPart extends PartOfRecording {
    number: number
    isTaken: boolean
    name: string
    /** It is the same once more, and gets the next number. */
    isFurther: boolean
}

/** By what the player knows a part. */
export const keyOf = (part: NamedPart) => `part ${part.number}`

/** The names of a text, one a line. */
export const namesIn = (text: string) =>
    text
        .split('\n')
        .map((line) => line.trim().replace(/\.(wav|opus|ogg|flac|mp3|aiff?)$/i, ''))
        .filter((line) => line !== '')

/** True for a part of which a later one, done again after it, is taken too. */
function isDoneAgain(parts: readonly PartOfRecording[], isTaken: readonly boolean[], index: number) {
    if (parts[index]!.kind !== 'repeated') return false
    for (let next = index + 1; next < parts.length; next++) {
        if (parts[next]!.kind === 'noise') continue
        if (isTaken[next]) return true
        if (parts[next]!.kind === 'take') return false
    }
    return false
}

/**
 * Gives names to the parts that are taken, in order; the parts keep what the author ticked. What was done again after it, and is
 * kept as a further take, has the name of the one that counts.
 */
export function named(
    parts: readonly PartOfRecording[],
    isTaken: readonly boolean[],
    names: readonly string[],
    isKept = false,
) {
    let next = 0
    return parts.map((part, index): NamedPart => {
        const taken = isTaken[index] ?? false
        const isFurther = isKept && taken && isDoneAgain(parts, isTaken, index)
        const name = taken ? (names[isFurther ? next : next++] ?? '') : ''
        return { ...part, number: index + 1, isTaken: taken, name, isFurther }
    })
}

/** What speaks against splitting so; nothing where it can be done. */
export function problemOf(parts: readonly NamedPart[], names: readonly string[]): string {
    const taken = parts.filter((part) => part.isTaken && !part.isFurther)
    const twice = names.find((name, index) => names.indexOf(name) !== index)
    if (taken.length === 0) return 'Tick the parts that you want.'
    if (twice) return `“${twice}” stands twice among the names.`
    if (names.length < taken.length)
        return (
            `${taken.length} parts are ticked and ${names.length === 0 ? 'no' : `only ${names.length}`} names given: ` +
            'name them, or untick what is no take.'
        )
    return ''
}

/** What an author chose of a recording. */
interface Choice {
    names: string
    taken: boolean[]
    isKept: boolean
}

const proposed = (recording: RecordingView | undefined): Choice => ({
    names: '',
    taken: recording?.parts.map((part) => part.kind === 'take') ?? [],
    isKept: false,
})

/** The parts of a recording, which of them are taken, and their names: kept under a name until it is split. */
export function useParts(recording: Ref<RecordingView | undefined>, keptAs: MaybeRefOrGetter<string>) {
    const kept = useKept(keptAs)
    const choice = computed<Choice>(() => {
        const first = proposed(recording.value)
        const chosen = kept.value === null ? first : { ...first, ...(JSON.parse(kept.value) as Choice) }
        // Another recording of that name has other parts.
        return chosen.taken.length === first.taken.length ? chosen : { ...chosen, taken: first.taken }
    })
    const choose = (now: Partial<Choice>) => (kept.value = JSON.stringify({ ...choice.value, ...now }))
    const text = computed({ get: () => choice.value.names, set: (names) => choose({ names }) })
    const isKept = computed({
        get: () => choice.value.isKept,
        // Keeping them ticks them, and not keeping them unticks them: nobody has to find them in the list.
        set: (isKept) =>
            choose({ isKept, taken: parts.value.map((part) => (part.kind === 'repeated' ? isKept : part.isTaken)) }),
    })
    const names = computed(() => namesIn(text.value))
    const parts = computed(() => named(recording.value?.parts ?? [], choice.value.taken, names.value, isKept.value))
    return {
        text,
        names,
        parts,
        isKept,
        problem: computed(() => problemOf(parts.value, names.value)),
        left: computed(() => names.value.slice(parts.value.filter((part) => part.isTaken && !part.isFurther).length)),
        tick: (index: number, isTaken: boolean) => choose({ taken: choice.value.taken.with(index, isTaken) }),
        /** Lets go of what was chosen. */
        forget: () => (kept.value = null),
    }
}
