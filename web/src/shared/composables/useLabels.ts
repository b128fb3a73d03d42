import { useElementSize } from '@vueuse/core'
import { nextTick, ref, watch, type Ref } from 'vue'

export interface LabelledGroup {
    key: string
    title: string
    columns: readonly { key: string; title: string }[]
}

const pen = typeof document === 'undefined' ? null : document.createElement('canvas').getContext('2d')

/**
 * Decides which labels stand under the columns of a strip: each column's own where all of a group fit, else the group's where
 * that fits, else none. Nothing is cut.
 *
 * @param strip The strip; its columns carry data-column, its groups data-group.
 */
export function useLabels(strip: Ref<HTMLElement | undefined>, groups: () => readonly LabelledGroup[]) {
    const { width } = useElementSize(strip)
    /** By group: whether its columns' own labels fit, and whether its own does. */
    const fits = ref<Record<string, 'columns' | 'group' | 'none'>>({})

    watch(
        [width, groups],
        async () => {
            await nextTick()
            if (!strip.value || !pen) return
            await document.fonts.ready
            const style = getComputedStyle(strip.value)
            // Labels are tiny type, and bold where their column is chosen.
            pen.font = `700 12px ${style.fontFamily}`
            const room = (attribute: string, key: string) =>
                strip.value?.querySelector<HTMLElement>(`[${attribute}="${CSS.escape(key)}"]`)?.offsetWidth ?? 0
            const isWide = (attribute: string, key: string, title: string) =>
                room(attribute, key) >= Math.ceil(pen.measureText(title).width) + 1
            fits.value = Object.fromEntries(
                groups().map((group) => [
                    group.key,
                    group.columns.every((column) => isWide('data-column', column.key, column.title))
                        ? 'columns'
                        : isWide('data-group', group.key, group.title)
                          ? 'group'
                          : 'none',
                ]),
            )
        },
        { immediate: true },
    )
    return fits
}
