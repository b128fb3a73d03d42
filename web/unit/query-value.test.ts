import { describe, expect, it } from 'vitest'
import { createApp, effectScope } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useQueryValue } from '@/shared/composables/useQueryValue'

async function at(address: string) {
    const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:rest(.*)*', component: {} }] })
    await router.push('/before')
    await router.push(address)
    const app = createApp({}).use(router)
    const value = (name: string, initial?: string) =>
        effectScope(true).run(() => app.runWithContext(() => useQueryValue(name, initial)))!
    const query = () => router.currentRoute.value.query
    return { router, value, query }
}

describe('useQueryValue', () => {
    it('reads the address, and writes it without a step to go back', async () => {
        const { router, value, query } = await at('/gather?words=setts')
        const words = value('words')
        expect(words.value).toBe('setts')
        words.value = 'sand'
        expect(words.value).toBe('sand')
        await expect.poll(query).toEqual({ words: 'sand' })
        router.back()
        await expect.poll(query).toEqual({})
    })

    it('leaves the usual value out of the address', async () => {
        const { value, query } = await at('/prove?look=trial')
        const look = value('look', 'findings')
        look.value = 'findings'
        await expect.poll(query).toEqual({})
    })

    it('keeps both of two values that are set at once', async () => {
        const { value, query } = await at('/gather')
        const [words, place] = [value('words'), value('place')]
        words.value = 'setts'
        place.value = 'surfaces'
        await expect.poll(query).toEqual({ words: 'setts', place: 'surfaces' })
    })

    it('follows the address', async () => {
        const { router, value } = await at('/gather?place=wares')
        const place = value('place')
        await router.push('/gather?place=seals')
        await expect.poll(() => place.value).toBe('seals')
        await router.push('/gather')
        await expect.poll(() => place.value).toBe('')
    })
})
