import { watchEffect } from 'vue'
import { usePreferences } from './usePreferences'

/** Applies the light or dark theme: the author's choice, else the system's. */
export function useTheme() {
    const preferences = usePreferences()
    watchEffect(() => {
        document.documentElement.dataset.theme = preferences.isDark ? 'dark' : 'light'
    })
}
