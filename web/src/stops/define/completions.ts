import { snippetCompletion, type CompletionContext, type CompletionResult } from '@codemirror/autocomplete'
import { getLocation, getNodeValue, parseTree } from 'jsonc-parser'
import { templateOf } from './examples'
import { fieldsIn, type Known } from './parameters'
import { anyItem, fieldAt, fieldsOf } from './schema'

/** What may stand at the cursor: names of fields that are not there yet, or the values that a field takes. */
export function completionsAt(context: CompletionContext, known: Known): CompletionResult | null {
    const text = context.state.doc.toString()
    const location = getLocation(text, context.pos)
    const word = context.matchBefore(/"?[A-Za-z0-9_.]*/)
    if (!word || (word.from === word.to && !context.explicit)) return null
    const steps = location.path.map(String)
    const above = location.isAtPropertyKey ? steps.slice(0, -1) : steps
    const closes = text[context.pos] === '"' ? context.pos + 1 : context.pos

    if (location.isAtPropertyKey) {
        const root = parseTree(text)
        const options = fieldsIn(known, root && (getNodeValue(root) as unknown), above).map((field) => ({
            label: `"${field.name}"`,
            detail: field.title,
            info: field.help || undefined,
            apply: `"${field.name}"${/^\s*:/.test(text.slice(closes)) ? '' : ': '}`,
        }))
        return { from: word.from, to: closes, options }
    }
    const field = fieldAt(fieldsOf(known.schema), above)
    const list = /^\d+$/.test(above.at(-1) ?? '') && fieldAt(fieldsOf(known.schema), above.slice(0, -1))
    if (list && list.examples.length > 0 && word.from === word.to)
        return {
            from: word.from,
            options: list.examples.map((one) => snippetCompletion(templateOf(one), { label: one.title })),
        }
    const values =
        known.choices[anyItem(`/${above.join('/')}`)]?.map((choice) => ({ value: choice.value, name: choice.name })) ??
        field?.choices.map((value) => ({ value, name: '' })) ??
        []
    return {
        from: word.from,
        to: closes,
        options: values.map(({ value, name }) => ({ label: `"${value}"`, detail: name === value ? '' : name })),
    }
}
