import { ref, toValue, watch, type MaybeRefOrGetter, type Ref } from 'vue'

const prefix = 'underlay-kept:'

/**
 * What an author types where it is not sent at once, such as a reason or notes: kept in this browser under a name, so that it
 * is still there after another page, a reload or a loss of power. Null while nothing was typed.
 */
export function useKept(name: MaybeRefOrGetter<string>): Ref<string | null> {
    const read = () => localStorage.getItem(prefix + toValue(name))
    const text = ref(read())
    watch(
        () => toValue(name),
        () => (text.value = read()),
        { flush: 'sync' },
    )
    watch(
        text,
        (now) => {
            if (now === null) localStorage.removeItem(prefix + toValue(name))
            else localStorage.setItem(prefix + toValue(name), now)
        },
        { flush: 'sync' },
    )
    return text
}
