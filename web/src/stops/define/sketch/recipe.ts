import type { Choice, RecipeSketch } from '@/api/client'
import { anyItem, valueAt } from '../schema'

/** Words of a list as people say them: "a, b and c". */
const listed = (words: readonly string[]) =>
    words.length < 2 ? (words[0] ?? 'nothing') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`

const plain = (name: string) => name.replaceAll('_', ' ')

/** What any good has to be like, field by field. */
function like(accepts: object): string {
    const parts = Object.entries(accepts).map(([field, wanted]: [string, unknown]) => {
        if (typeof wanted !== 'object' || wanted === null) return `${plain(field)} ${plain(String(wanted))}`
        const { min, max } = wanted as { min?: number; max?: number }
        return `${plain(field)} ${[min !== undefined && `from ${min}`, max !== undefined && `to ${max}`].filter(Boolean).join(' ')}`
    })
    return parts.length > 0 ? `any of ${listed(parts)}` : 'any'
}

/** What a recipe does, as a sentence; null where it names nothing yet. */
export function sentenceOf(sketch: RecipeSketch, value: unknown, choices: Record<string, Choice[]>): string | null {
    const nameAt = (pointer: string) => {
        const code = valueAt(value, pointer)
        if (typeof code !== 'string' || code === '') return null
        const known = choices[anyItem(pointer)]?.find((choice) => choice.value === code)
        return known?.name || plain(code)
    }
    const parts = (list: string) => {
        const found = valueAt(value, list)
        return (Array.isArray(found) ? found : []).map((part: unknown, index) => {
            const accepts = valueAt(part, sketch.accepts)
            const good = sketch.goods.map((field) => nameAt(`${list}/${index}${field}`)).find((name) => name !== null)
            const what = typeof accepts === 'object' && accepts !== null ? like(accepts) : (good ?? 'something')
            return `${String(valueAt(part, sketch.amount) ?? '?')} ${what}`
        })
    }
    const [uses, makes] = [parts(sketch.uses), parts(sketch.makes)]
    if (uses.length + makes.length === 0) return null
    const minutes = valueAt(value, sketch.minutes)
    const time = typeof minutes === 'number' ? `${minutes} min` : typeof minutes === 'string' ? minutes : null
    const where = [nameAt(sketch.station) && `at ${nameAt(sketch.station)}`, time && `in ${time}`].filter(Boolean)
    return `Takes ${listed(uses)}; makes ${listed(makes)}${where.length > 0 ? `, ${where.join(', ')}` : ''}.`
}
