import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'

/** What may lie behind clear pixels. */
export const grounds = ['light', 'dark', 'loud'] as const
type Ground = (typeof grounds)[number]

/** What the author prefers in this browser. */
export const usePreferences = defineStore('preferences', () => {
    const ground = useLocalStorage<Ground>('underlay-ground', 'light')
    return {
        /** light, dark, or system for whatever the system has. */
        theme: useLocalStorage<'system' | 'light' | 'dark'>('underlay-theme', 'system'),
        /** The author's name, offered again for the next pack. */
        author: useLocalStorage('underlay-author', ''),
        /** The author's own leading name, offered again for the next pack. */
        prefix: useLocalStorage('underlay-prefix', ''),
        ground,
        nextGround: () => (ground.value = grounds[(grounds.indexOf(ground.value) + 1) % grounds.length]!),
    }
})
