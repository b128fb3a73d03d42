import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'

/** What may lie behind clear pixels. */
export const grounds = ['light', 'dark', 'loud'] as const
type Ground = (typeof grounds)[number]

/** What the author prefers in this browser. */
export const usePreferences = defineStore('preferences', () => {
    const theme = useLocalStorage<'system' | 'light' | 'dark'>('underlay-theme', 'system')
    const systemIsDark = usePreferredDark()
    const isDark = computed(() => theme.value === 'dark' || (theme.value === 'system' && systemIsDark.value))
    /** What the author chose; until then it is as dark as the page. */
    const chosen = useLocalStorage<Ground | ''>('underlay-ground', '')
    const ground = computed<Ground>({
        get: () => chosen.value || (isDark.value ? 'dark' : 'light'),
        set: (now) => (chosen.value = now),
    })
    return {
        /** light, dark, or system for whatever the system has. */
        theme,
        isDark,
        /** The author's name, offered again for the next pack. */
        author: useLocalStorage('underlay-author', ''),
        /** The author's own leading name, offered again for the next pack. */
        prefix: useLocalStorage('underlay-prefix', ''),
        ground,
        nextGround: () => (ground.value = grounds[(grounds.indexOf(ground.value) + 1) % grounds.length]!),
    }
})
