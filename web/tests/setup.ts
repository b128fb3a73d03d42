import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { demo } from './server'

/** Puts the demo's folders on disk, as an author has them. */
export default function setup() {
    const underlay = fileURLToPath(new URL('../../underlay', import.meta.url))
    if (!existsSync(`${demo}/trays`)) execFileSync(underlay, ['demo', demo], { stdio: 'inherit' })
}
