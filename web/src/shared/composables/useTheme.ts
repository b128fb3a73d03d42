import { usePreferredDark } from '@vueuse/core'
import { computed, watchEffect } from 'vue'
import { usePreferences } from './usePreferences'

/** Applies the light or dark theme: the author's choice, else the system's. */
export function useTheme() {
    const preferences = usePreferences()
    const systemIsDark = usePreferredDark()
    const theme = computed(() =>
        preferences.theme === 'system' ? (systemIsDark.value ? 'dark' : 'light') : preferences.theme,
    )
    watchEffect(() => {
        document.documentElement.dataset.theme = theme.value
    })
    return theme
}
