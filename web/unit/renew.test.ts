import { QueryClient, QueryObserver } from '@tanstack/vue-query'
import { expect, it } from 'vitest'
import { renew } from '@/api/renew'

/** Answers that are given one by one. */
function answers() {
    const waiting: ((value: string) => void)[] = []
    return {
        ask: () => new Promise<string>((done) => waiting.push(done)),
        give: async (number: number, value: string) => {
            waiting[number]!(value)
            await new Promise((done) => setTimeout(done))
        },
    }
}

it.each([
    ['the first answer is still on its way', false],
    ['it was there before', true],
])('what was changed is shown though %s', async (_, wasThere) => {
    const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity, retry: false } } })
    const { ask, give } = answers()
    const observer = new QueryObserver(queries, { queryKey: ['pack', 'a', 'tray'], queryFn: ask })
    const leave = observer.subscribe(() => undefined)
    if (wasThere) await give(0, 'before')

    const done = renew(queries, ['pack', 'a'])
    await new Promise((next) => setTimeout(next))
    if (!wasThere) await give(0, 'before')
    await give(1, 'after')
    await done
    expect(observer.getCurrentResult()).toMatchObject({ data: 'after', isError: false })
    leave()
})
