import { expect, test, type APIRequestContext } from '@playwright/test'
import { OwnServer } from './server'

interface Operation {
    what: string
}

async function begin(request: APIRequestContext, url: string): Promise<string> {
    const made = await request.post(`${url}/api/packs`, {
        data: { title: 'Killed', host: 'kilnmoor', edition: '4.0', prefix: 'killed', author: 'Tove Salter' },
    })
    return ((await made.json()) as { id: string }).id
}

test('a server that is killed amid an upload and a build loses nothing that it acknowledged', async ({ request }) => {
    const server = await OwnServer.with('killed')
    await server.start()
    try {
        const id = await begin(request, server.url)
        const acknowledged: string[] = []

        // Uploads go on until the server is gone; only answered ones count.
        const uploads = (async () => {
            for (let number = 0; ; number++) {
                const path = `note-${number}.txt`
                const answer = await request
                    .put(`${server.url}/api/packs/${id}/file?path=${path}`, { data: `note ${number}` })
                    .catch(() => null)
                if (!answer?.ok()) return
                acknowledged.push(path)
            }
        })()
        const large = request
            .post(`${server.url}/api/packs/${id}/tray`, {
                multipart: {
                    file: {
                        name: 'large.bin',
                        mimeType: 'application/octet-stream',
                        buffer: Buffer.alloc(48 << 20, 7),
                    },
                },
            })
            .then((answer) => answer.ok())
            .catch(() => false)
        await expect.poll(() => acknowledged.length).toBeGreaterThan(20)
        const built = await request.post(`${server.url}/api/packs/${id}/releases`, {
            data: { version: '1.0.0', notes: '', allowBlockers: true },
        })
        const job = ((await built.json()) as { id: string }).id
        await server.kill()
        await uploads
        const largeIsIn = await large

        await server.start()
        for (const path of acknowledged)
            expect((await request.get(`${server.url}/api/packs/${id}/file?path=${path}`)).ok(), path).toBe(true)
        const log = (await (await request.get(`${server.url}/api/packs/${id}/operations`)).json()) as {
            operations: Operation[]
        }
        expect(log.operations.length).toBeGreaterThan(20)
        const tray = (await (await request.get(`${server.url}/api/packs/${id}/tray`)).json()) as {
            rows: { length: number }[]
        }
        if (largeIsIn) expect(tray.rows[0]!.length).toBe(48 << 20)

        // The build that was acknowledged is taken up again.
        await expect
            .poll(
                async () =>
                    ((await (await request.get(`${server.url}/api/jobs/${job}`)).json()) as { state: string }).state,
                { timeout: 60_000 },
            )
            .toBe('done')
        expect((await (await request.get(`${server.url}/api/packs/${id}/releases`)).json()) as unknown[]).toHaveLength(
            1,
        )
    } finally {
        await server.kill()
    }
})
