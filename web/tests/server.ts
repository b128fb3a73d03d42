import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { createServer, type AddressInfo } from 'node:net'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('../..', import.meta.url))

export const demo = `${root}.test/demo`

/** The browser without its window, which is the same in all that pages see. */
export const chromium = '/usr/bin/chromium-headless-shell'

/** The database with the demo, which those of the workers are copies of. */
export const template = 'template'

const serverCommand = ['dotnet', `${root}.build/server/Underlay.Server.dll`]

/** The connection string of a database of this run. */
function databaseOf(name: string): string {
    const database = process.env.UNDERLAY_TEST_DB
    if (!database) throw new Error('UNDERLAY_TEST_DB is not set; run ./test e2e.')
    process.env.UNDERLAY_E2E_RUN ??= String(process.pid)
    return database.replace(/Database=[^;]*/, `Database=e2e_${process.env.UNDERLAY_E2E_RUN}_${name}`)
}

/** A port that nobody listens on. */
async function freePort(): Promise<number> {
    const asking = createServer()
    await new Promise<void>((listens) => asking.listen(0, '127.0.0.1', listens))
    const { port } = asking.address() as AddressInfo
    await new Promise((closed) => asking.close(closed))
    return port
}

/** Makes a database a copy of another that nobody is connected to. */
function copyDatabase(name: string, from: string) {
    const given = Object.fromEntries(
        databaseOf(name)
            .split(';')
            .map((part) => part.split('=') as [string, string]),
    )
    const copied = /Database=([^;]*)/.exec(databaseOf(from))![1]!
    // A server that was killed may still be connected for a moment.
    const commands = [
        `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '${copied}'`,
        `CREATE DATABASE "${given.Database}" TEMPLATE "${copied}"`,
    ]
    const where = ['-q', '-h', given.Host!, '-p', given.Port!, '-U', given.Username!, 'postgres']
    execFileSync('psql', [...where, ...commands.flatMap((command) => ['-c', command])], {
        env: { ...process.env, PGPASSWORD: given.Password! },
        stdio: ['ignore', 'ignore', 'inherit'],
    })
}

/** A server on a database of its own. */
export class OwnServer {
    private child: ChildProcess | undefined

    private constructor(
        readonly at: number,
        private readonly name: string,
        private readonly withDemo: boolean,
    ) {}

    /**
     * A server that is not started yet.
     * @param name Of its database.
     * @param from The database that it begins with a copy of; without one it begins with none, and without the demo.
     */
    static async with(name: string, from?: string): Promise<OwnServer> {
        if (from) copyDatabase(name, from)
        return new OwnServer(await freePort(), name, false)
    }

    /** A server that makes the database which others are copies of. */
    static async ofTemplate(): Promise<OwnServer> {
        return new OwnServer(await freePort(), template, true)
    }

    get url() {
        return `http://127.0.0.1:${this.at}`
    }

    async start(): Promise<void> {
        const [program, ...args] = serverCommand as [string, ...string[]]
        this.child = spawn(program, args, {
            env: {
                ...(process.env as Record<string, string>),
                UNDERLAY_PORT: String(this.at),
                UNDERLAY_DB: databaseOf(this.name),
                UNDERLAY_DATA: `${root}.test/e2e`,
                UNDERLAY_DEMO: this.withDemo ? '1' : '0',
                UNDERLAY_HOSTS: `${root}hosts`,
                UNDERLAY_STANDINS: `${root}.build/standins`,
                UNDERLAY_WEB: `${root}web/dist`,
            },
            stdio: ['ignore', 'pipe', 'inherit'],
        })
        await new Promise<void>((resolve, reject) => {
            this.child?.stdout?.on('data', (text: Buffer) => text.toString().includes('Underlay is ready') && resolve())
            this.child?.on('exit', (code) => reject(new Error(`The server ended with ${code}.`)))
        })
    }

    /** SIGKILL: it has no time to tidy up. */
    async kill(): Promise<void> {
        const child = this.child
        if (!child || child.exitCode !== null || child.signalCode !== null) return
        child.removeAllListeners('exit')
        const gone = new Promise((resolve) => child.once('exit', resolve))
        child.kill('SIGKILL')
        await gone
    }
}
