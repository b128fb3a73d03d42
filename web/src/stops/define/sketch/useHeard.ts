import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { pictureUrl, type EntryView } from '@/api/client'
import { usePack } from '@/shared/composables/usePack'

/** Where a sound that an entry's rows may name can be heard: the pack's, or the base's; null where it is not there. */
export function useHeard(pack: MaybeRefOrGetter<string>, entry: MaybeRefOrGetter<EntryView>) {
    const { data: detail } = usePack(pack)
    const known = computed(() => {
        const { choices, sketch } = toValue(entry)
        const grid = sketch.grid
        const named = grid?.plays ? choices[`${grid.rows}/*/${grid.lists}/*/${grid.plays.sound}`] : undefined
        return new Map((named ?? []).map((choice) => [choice.value, choice]))
    })
    return (sound: string) => {
        const choice = known.value.get(sound)
        return choice?.sound && detail.value
            ? pictureUrl(toValue(pack), detail.value.summary, {
                  path: choice.sound,
                  hash: '',
                  isOfBase: !choice.fromPack,
              })
            : null
    }
}
