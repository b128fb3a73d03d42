import { reactive } from 'vue'
import type { LocationQuery, RouteLocationNormalized } from 'vue-router'

/** The stops in their order, each under its number. */
export const stopNames = ['gather', 'shape', 'define', 'prove', 'release']

/** What each stop of a pack was left with: its search, its filters, what was looked at. */
const left = reactive(new Map<string, LocationQuery>())
const keyOf = (pack: unknown, stop: string) => `${String(pack)} ${stop}`

/** Keeps what the address says of a stop, so that its name leads back to where it was left. */
export function noteStop({ name, params, query }: RouteLocationNormalized) {
    if (params.id && stopNames.includes(String(name))) left.set(keyOf(params.id, String(name)), query)
}

/**
 * Where the name of a stop leads: to where the stop was left, and at the stop itself to its beginning. The section's filter goes along
 * from stop to stop.
 */
export function stopAddress(from: RouteLocationNormalized, name: string) {
    const { id } = from.params
    const { place: _, ...before } = (from.name !== name && left.get(keyOf(id, name))) || {}
    const { place } = from.query
    return { name, params: { id }, query: typeof place === 'string' ? { ...before, place } : before }
}
