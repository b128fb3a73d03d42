import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'

/** What the author prefers in this browser. */
export const usePreferences = defineStore('preferences', () => ({
    /** light, dark, or system for whatever the system has. */
    theme: useLocalStorage<'system' | 'light' | 'dark'>('underlay-theme', 'system'),
    /** The author's own leading name, offered again for the next pack. */
    prefix: useLocalStorage('underlay-prefix', ''),
}))
