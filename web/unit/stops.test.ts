import { describe, expect, it } from 'vitest'
import type { RouteLocationNormalized } from 'vue-router'
import { noteStop, stopAddress } from '../src/shared/composables/useStops'

const at = (id: string, name: string, query: Record<string, string> = {}) =>
    ({ name, params: { id }, query }) as unknown as RouteLocationNormalized

describe('the name of a stop', () => {
    it('leads to where the stop was left, with the section’s filter as it is now', () => {
        noteStop(at('a', 'gather', { find: 'cup', place: 'wares' }))
        expect(stopAddress(at('a', 'prove'), 'gather').query).toEqual({ find: 'cup' })
        expect(stopAddress(at('a', 'prove', { place: 'seals', look: 'trial' }), 'gather').query).toEqual({
            find: 'cup',
            place: 'seals',
        })
    })

    it('leads to the beginning at the stop itself, and in a pack where nothing was left', () => {
        noteStop(at('a', 'gather', { find: 'cup' }))
        expect(stopAddress(at('a', 'gather', { find: 'cup' }), 'gather').query).toEqual({})
        expect(stopAddress(at('b', 'prove'), 'gather').query).toEqual({})
    })

    it('knows nothing of what is no stop of a pack', () => {
        noteStop(at('', 'packs', { find: 'x' }))
        expect(stopAddress(at('', 'hosts'), 'packs').query).toEqual({})
    })
})
