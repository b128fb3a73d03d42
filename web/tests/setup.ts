import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { demo, OwnServer, root } from './server'

/** Puts the demo's folders on disk, as an author has them, and the demo into the database that the workers' are copies of. */
export default async function setup() {
    if (!existsSync(`${demo}/trays`)) execFileSync(`${root}underlay`, ['demo', demo], { stdio: 'inherit' })
    const server = await OwnServer.ofTemplate()
    await server.start()
    await server.kill()
}
