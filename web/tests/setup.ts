import { execFileSync } from 'node:child_process'
import { rmSync, statSync } from 'node:fs'
import { demo, OwnServer, root } from './server'

/** Puts the demo's folders on disk, as an author has them, and the demo into the database that the workers' are copies of. */
export default async function setup() {
    // One that an older command wrote is another demo.
    const written = statSync(`${demo}/trays`, { throwIfNoEntry: false })?.mtimeMs ?? 0
    if (written < statSync(`${root}.build/underlay.stamp`).mtimeMs) {
        rmSync(demo, { recursive: true, force: true })
        execFileSync(`${root}underlay`, ['demo', demo], { stdio: 'inherit' })
    }
    const server = await OwnServer.ofTemplate()
    await server.start()
    await server.kill()
}
