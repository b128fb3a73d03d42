import { computed, ref } from 'vue'
import type { TrayRow } from '@/api/client'
import type { TrayChoices } from './useTrayChoices'

/** The tray narrowed to files that have some words, and to one kind of its groups. */
export function useTrayNarrowing(choices: TrayChoices) {
    const words = ref('')
    const only = ref('')
    const hasWords = (row: TrayRow) => {
        const text = `${row.file} ${choices.targetOf(row)}`.toLowerCase()
        return words.value
            .toLowerCase()
            .split(/\s+/)
            .every((word) => text.includes(word))
    }
    const shown = computed(() =>
        choices.groups.value
            .filter(
                (group) =>
                    !only.value || group.kind === only.value || !choices.kinds.value.some((k) => k.key === only.value),
            )
            .map((group) => ({ ...group, rows: group.rows.filter(hasWords) }))
            .filter((group) => group.rows.length > 0),
    )
    const isNarrowed = computed(() => words.value !== '' || only.value !== '')
    const inView = computed(() => shown.value.flatMap((group) => group.rows))

    return { words, only, isNarrowed, shown, inView }
}
