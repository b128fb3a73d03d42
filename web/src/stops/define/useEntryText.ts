import { refDebounced, watchDebounced } from '@vueuse/core'
import { applyEdits, modify, parse } from 'jsonc-parser'
import { computed, onBeforeUnmount, ref, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { api, data, type EntryView, type FaultView } from '@/api/client'
import { isConnected } from '@/api/events'
import { useChange } from '@/shared/composables/usePack'
import * as drafts from '@/shared/drafts'
import { readUpTo } from './reading'
import { stepsIn } from './schema'

// A pause in typing after which what is sound is saved, in milliseconds.
const pause = 800

/**
 * The text of an entry while it is edited: the form and the text are two views of it, and it is judged as it is typed. What
 * is typed is kept in the browser with every letter; it is saved when it is sound, or when the author leaves it.
 */
export function useEntryText(pack: MaybeRefOrGetter<string>, entry: MaybeRefOrGetter<EntryView>) {
    const change = useChange(pack)
    const { path } = toValue(entry)
    const packId = toValue(pack)
    const text = ref(toValue(entry).text)
    /** What stands in the pack as far as this page knows: the text that edits began from, and its hash. */
    const known = ref({ text: toValue(entry).text, hash: toValue(entry).hash })
    const isChangedElsewhere = ref(false)
    const isDirty = computed(() => text.value !== known.value.text)
    let isGone = false

    const draft = () => ({ pack: packId, path, text: text.value, over: known.value.text, hash: known.value.hash })
    /** What was typed here before and did not get into the pack. */
    const adopted = drafts.adopt(packId, path).then((left) => {
        if (!left || isGone || isDirty.value) return
        const now = toValue(entry)
        if (left.text === now.text) drafts.drop(packId, path)
        else {
            text.value = left.text
            isChangedElsewhere.value = left.hash !== now.hash && !drafts.isOwn(now.hash)
        }
    })

    watch(
        () => toValue(entry),
        (now) => {
            if (now.hash === known.value.hash && now.text === known.value.text) return
            // Written by this page: what was typed since stays; where nothing was, the text follows.
            if (drafts.isOwn(now.hash) && isDirty.value) {
                known.value = { text: now.text, hash: now.hash }
                keepWhatIsLeft()
            } else if (isDirty.value && text.value !== now.text) isChangedElsewhere.value = true
            else take(now)
        },
    )
    /** What is called saved is no draft any more, whatever the author does next. */
    const keepWhatIsLeft = () => (isDirty.value ? drafts.keep(draft()) : drafts.drop(packId, path))
    watch(text, keepWhatIsLeft, { flush: 'sync' })
    function take(now: EntryView) {
        known.value = { text: now.text, hash: now.hash }
        text.value = now.text
        isChangedElsewhere.value = false
        drafts.drop(packId, path)
    }

    const read = computed(() => readUpTo(text.value))
    const value = computed(() => (read.value.brokenAt === null ? read.value.value : null))

    const faults = ref<readonly FaultView[]>([])
    /** The text that the faults are of. */
    const judged = ref<string | null>(null)
    const typed = refDebounced(text, 200)
    watch(
        // What could not be judged while the server was away is judged when it is back.
        [typed, () => toValue(entry).revision, isConnected],
        async () => {
            const asked = typed.value
            const result = await data(
                api.POST('/api/packs/{id}/entry/judgements', {
                    params: { path: { id: packId } },
                    body: { path, text: asked },
                }),
            ).catch(() => null)
            if (!result || asked !== typed.value) return
            faults.value = result.faults
            judged.value = asked
        },
        { immediate: true },
    )
    const isSound = computed(() => judged.value === text.value && faults.value.length === 0)

    /** Sets or takes away one value; the rest of the text stays as the author wrote it. */
    function set(pointer: string, now: unknown) {
        text.value = applyEdits(
            text.value,
            modify(text.value, stepsIn(parse(text.value), pointer), now, {
                formattingOptions: { insertSpaces: true, tabSize: 2 },
            }),
        )
    }

    let saving: Promise<boolean> | null = null
    /** Saves what was typed; what is typed meanwhile stays, and is saved after it. Without a word where it is not asked for. */
    function save(isAsked = false): Promise<boolean> {
        return (saving ??= saveNow(isAsked).then((made) => {
            saving = null
            // The pause of what was typed meanwhile may be over too: nothing else would send it.
            if (made && isSound.value && mayBeSaved()) void save()
            return made
        }))
    }
    async function saveNow(isAsked: boolean): Promise<boolean> {
        const sent = draft()
        const made = await change.run(() => drafts.write(sent), isAsked ? () => `${path} is saved.` : undefined, {
            isKept: true,
        })
        if (!made) return false
        known.value = { text: sent.text, hash: made.hash }
        isChangedElsewhere.value = false
        keepWhatIsLeft()
        return true
    }
    const mayBeSaved = () => isDirty.value && !isChangedElsewhere.value && isConnected.value
    watchDebounced([text, isSound], () => isSound.value && mayBeSaved() && void save(), { debounce: pause })
    watch(isConnected, () => isSound.value && mayBeSaved() && void save())
    // Left with something typed, sound or not: it is saved as it is; where that fails, it is saved later.
    onBeforeUnmount(async () => {
        isGone = true
        await adopted
        await saving
        if (mayBeSaved()) await save()
        drafts.close(packId, path)
    })

    /** Goes on with what was typed; saving then replaces what the other page wrote. */
    function keepMine() {
        const now = toValue(entry)
        known.value = { text: now.text, hash: now.hash }
        isChangedElsewhere.value = false
        drafts.keep(draft())
        void save()
    }

    return {
        text,
        value,
        /** What can be read before the first fault, and its line; the whole where there is none. */
        read,
        faults,
        isDirty,
        isSound,
        isChangedElsewhere,
        isBusy: change.isBusy,
        set,
        save,
        keepMine,
        discard: () => take(toValue(entry)),
    }
}
