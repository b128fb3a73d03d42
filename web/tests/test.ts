import { test as base } from '@playwright/test'
import { OwnServer, template } from './server'

export { expect } from '@playwright/test'

/** Each worker has a server of its own, with the demo in a database of its own: two work side by side, and neither sees the other. */
export const test = base.extend<object, { server: OwnServer }>({
    server: [
        async ({}, use, info) => {
            const server = await OwnServer.with(`worker_${info.workerIndex}`, template)
            await server.start()
            await use(server)
            await server.kill()
        },
        { scope: 'worker', auto: true, timeout: 120_000 },
    ],
    baseURL: async ({ server }, use) => use(server.url),
})
