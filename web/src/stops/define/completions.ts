import type { CompletionContext, CompletionResult } from '@codemirror/autocomplete'
import { getLocation } from 'jsonc-parser'
import type { Choice } from '@/api/client'
import { anyItem, fieldAt, fieldsOf } from './schema'

/** What may stand at the cursor: names of fields that are not there yet, or the values that a field takes. */
export function completionsAt(
    context: CompletionContext,
    schema: unknown,
    choices: Record<string, Choice[]>,
): CompletionResult | null {
    const text = context.state.doc.toString()
    const location = getLocation(text, context.pos)
    const word = context.matchBefore(/"?[A-Za-z0-9_.]*/)
    if (!word || (word.from === word.to && !context.explicit)) return null
    const steps = location.path.map(String)
    const above = location.isAtPropertyKey ? steps.slice(0, -1) : steps
    const fields = fieldsOf(schema)
    const closes = text[context.pos] === '"' ? context.pos + 1 : context.pos

    if (location.isAtPropertyKey) {
        const inside = above.length === 0 ? fields : (fieldAt(fields, above)?.fields ?? [])
        const options = inside.map((field) => ({
            label: `"${field.name}"`,
            detail: field.title,
            info: field.help || undefined,
            apply: `"${field.name}"${/^\s*:/.test(text.slice(closes)) ? '' : ': '}`,
        }))
        return { from: word.from, to: closes, options }
    }
    const field = fieldAt(fields, above)
    const values =
        choices[anyItem(`/${above.join('/')}`)]?.map((choice) => ({ value: choice.value, name: choice.name })) ??
        field?.choices.map((value) => ({ value, name: '' })) ??
        []
    return {
        from: word.from,
        to: closes,
        options: values.map(({ value, name }) => ({ label: `"${value}"`, detail: name === value ? '' : name })),
    }
}
