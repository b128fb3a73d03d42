import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { createHash } from 'node:crypto'
import { mkdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, test, type APIRequestContext } from '@playwright/test'
import { askAgain } from '../src/api/askAgain'

const root = fileURLToPath(new URL('../..', import.meta.url))
const port = 5198
const url = `http://127.0.0.1:${port}`

const pidsOf = (...args: string[]) => execFileSync('pgrep', args, { encoding: 'utf8' }).trim().split('\n').map(Number)

/** The whole application on a data folder of its own, as an author starts it. */
class Application {
    private child: ChildProcess | undefined
    /** All that it wrote. */
    said = ''

    constructor(private readonly folder: string) {
        rmSync(folder, { recursive: true, force: true })
        mkdirSync(folder, { recursive: true })
    }

    async start() {
        const child = spawn(join(root, 'start'), [], {
            env: {
                ...process.env,
                UNDERLAY_DATA: this.folder,
                UNDERLAY_PORT: String(port),
                UNDERLAY_DB: '',
                UNDERLAY_DEMO: '0',
            },
            stdio: ['ignore', 'pipe', 'pipe'],
        })
        this.child = child
        await new Promise<void>((resolve, reject) => {
            const hear = (text: Buffer) => {
                this.said += text.toString()
                if (text.toString().includes('Underlay is ready')) resolve()
            }
            child.stdout.on('data', hear)
            child.stderr.on('data', hear)
            child.once('exit', (code) => reject(new Error(`./start ended with ${code}: ${this.said}`)))
        })
    }

    killDatabase() {
        // With root the cluster lies where PostgreSQL's own user can write.
        const place = join(this.folder, 'database')
        const name = createHash('sha256').update(place).digest('hex').slice(0, 16)
        process.kill(pidsOf('-o', '-f', `postgres -D (${place}|/var/lib/underlay/${name})/cluster`)[0]!, 'SIGKILL')
    }

    async killServer() {
        process.kill(pidsOf('-P', String(this.child!.pid), '-f', 'Underlay.Server.dll')[0]!, 'SIGKILL')
        await this.ended()
    }

    async stop() {
        this.child?.kill('SIGTERM')
        await this.ended()
    }

    private async ended() {
        const child = this.child
        if (child && child.exitCode === null && child.signalCode === null)
            await new Promise((resolve) => child.once('exit', resolve))
    }
}

async function begin(request: APIRequestContext): Promise<string> {
    const made = await request.post(`${url}/api/packs`, {
        data: { title: 'Under load', host: 'kilnmoor', edition: '4.0', prefix: 'load', author: 'Tove Salter' },
    })
    return ((await made.json()) as { id: string }).id
}

/** What was done to a pack, all of it. */
async function log(request: APIRequestContext, id: string): Promise<string[]> {
    const what: string[] = []
    for (let before = ''; ;) {
        const page = (await (await request.get(`${url}/api/packs/${id}/operations${before}`)).json()) as {
            operations: { what: string }[]
            next: number | null
        }
        what.push(...page.operations.map((operation) => operation.what))
        if (page.next === null) return what
        before = `?before=${page.next}`
    }
}

test('database and server are killed by turns under load: what was acknowledged is there, and nothing twice', async ({
    request,
}) => {
    const application = new Application(join(root, '.test/e2e-database'))
    await application.start()
    try {
        const id = await begin(request)
        const acknowledged: string[] = []
        const statuses = new Set<number>()
        let isOver = false
        const write = async (writer: number) => {
            for (let number = 0; !isOver; number++) {
                const path = `note-${writer}-${number}.txt`
                const answer = await askAgain('PUT', (headers) =>
                    fetch(`${url}/api/packs/${id}/file?path=${path}`, {
                        method: 'PUT',
                        headers: [['Content-Type', 'application/octet-stream'], ...headers],
                        body: path,
                    }),
                ).catch(() => null)
                if (answer) statuses.add(answer.status)
                if (answer?.ok) acknowledged.push(path)
            }
        }
        const writers = Array.from({ length: 20 }, (_, writer) => write(writer))
        const goesOn = () => {
            const before = acknowledged.length
            return expect.poll(() => acknowledged.length, { timeout: 90_000 }).toBeGreaterThan(before + 60)
        }

        await goesOn()
        application.killDatabase()
        await goesOn()
        await application.killServer()
        await application.start()
        await goesOn()
        application.killDatabase()
        await goesOn()
        isOver = true
        await Promise.all(writers)

        const made = await log(request, id)
        expect(new Set(made).size).toBe(made.length)
        expect(acknowledged.filter((path) => !made.includes(`Write ${path}`))).toEqual([])
        expect(statuses).not.toContain(500)
        expect(application.said).not.toContain('   at Underlay.')

        // Told to end while the database is away, it ends.
        application.killDatabase()
        await application.stop()
    } finally {
        await application.stop()
    }
})
