import { spawn, type ChildProcess } from 'node:child_process'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('../..', import.meta.url))

/** Where the tests' server answers. */
export const port = 5190

export const demo = `${root}.test/demo`

export const serverCommand = ['dotnet', `${root}.build/server/Underlay.Server.dll`]

/** A run of the tests has databases of its own. */
export function serverEnvironment(at: number, name: string): Record<string, string> {
    const database = process.env.UNDERLAY_TEST_DB
    if (!database) throw new Error('UNDERLAY_TEST_DB is not set; run ./test e2e.')
    process.env.UNDERLAY_E2E_RUN ??= String(process.pid)
    return {
        ...(process.env as Record<string, string>),
        UNDERLAY_PORT: String(at),
        UNDERLAY_DB: database.replace(/Database=[^;]*/, `Database=${name}_${process.env.UNDERLAY_E2E_RUN}`),
        UNDERLAY_DATA: `${root}.test/e2e`,
        UNDERLAY_HOSTS: `${root}hosts`,
        UNDERLAY_STANDINS: `${root}.build/standins`,
        UNDERLAY_WEB: `${root}web/dist`,
    }
}

/** A server of a test's own, to be killed. */
export class OwnServer {
    private child: ChildProcess | undefined

    constructor(
        readonly at: number,
        private readonly name: string,
    ) {}

    get url() {
        return `http://127.0.0.1:${this.at}`
    }

    async start(): Promise<void> {
        const [program, ...args] = serverCommand as [string, ...string[]]
        this.child = spawn(program, args, {
            env: serverEnvironment(this.at, this.name),
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
