import { spawn } from 'node:child_process'
import { expect, test } from '@playwright/test'
import { root } from './server'

const port = '5195'

/** Runs ./start in a group of its own, as a terminal does, until it says that it is ready. */
async function start() {
    const { UNDERLAY_DB: _, ...environment } = process.env
    const child = spawn(`${root}start`, {
        env: { ...environment, UNDERLAY_PORT: port, UNDERLAY_DATA: `${root}.test/start` },
        stdio: ['ignore', 'pipe', 'inherit'],
        detached: true,
    })
    const ended = new Promise<number | null>((resolve) => child.once('exit', resolve))
    await new Promise<void>((resolve, reject) => {
        child.stdout.on('data', (text: Buffer) => text.toString().includes('Underlay is ready') && resolve())
        void ended.then((code) => reject(new Error(`./start ended with ${code}.`)))
    })
    return { pid: child.pid!, ended }
}

test('./start ends all that it started, however it is asked', async ({ request }) => {
    const asks: [string, (pid: number) => void][] = [
        ['Ctrl+C, which reaches all of the group', (pid) => process.kill(-pid, 'SIGINT')],
        ['Ctrl+C, pressed twice', (pid) => (process.kill(-pid, 'SIGINT'), process.kill(-pid, 'SIGINT'))],
        ['the script alone', (pid) => process.kill(pid, 'SIGTERM')],
        ['all of the group', (pid) => process.kill(-pid, 'SIGTERM')],
    ]
    for (const [how, ask] of asks)
        await test.step(how, async () => {
            // It would not start where something of the last one were left.
            const { pid, ended } = await start()
            expect((await request.get(`http://127.0.0.1:${port}/api/hosts`)).ok()).toBe(true)
            ask(pid)
            expect(await ended).toBe(0)
            await expect(request.get(`http://127.0.0.1:${port}/api/hosts`)).rejects.toThrow()
        })
})
