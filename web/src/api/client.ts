import createClient from 'openapi-fetch'
import { askAgain, isStopped } from './askAgain'
import type { PackSummary, paths, ShownPicture } from './schema'

export type * from './schema'

/** What the server says is wrong (RFC 9457), or that it cannot be reached. */
export class Problem extends Error {
    constructor(
        readonly type: string,
        message: string,
        readonly paths: readonly string[] = [],
    ) {
        super(message)
    }

    static of(body: unknown): Problem {
        const details = (body ?? {}) as { type?: string; detail?: string; paths?: string[] }
        return new Problem(
            details.type ?? '/problems/unforeseen',
            details.detail ?? 'The server gave no reason.',
            details.paths,
        )
    }

    /** Why there is no answer: somebody did not want it any more, or there was none. */
    static unanswered(problem: unknown): Problem {
        if (wasStopped(problem)) return new Problem('/problems/stopped', 'Cancelled; nothing was changed.')
        return new Problem(
            '/problems/unreachable',
            'Underlay cannot be reached. Is it still running? Your pack is safe; this page goes on when it is back.',
        )
    }

    /** It was cancelled when it was made already. */
    static stoppedLate(): Problem {
        return new Problem('/problems/stopped', 'Cancelled too late: the pack was changed, as its history shows.')
    }
}

/** Problems that pass: what was sent is sent again, later. */
const passing = ['unreachable', 'database-away', 'outcome-unknown', 'kept-unseen'].map((type) => `/problems/${type}`)

/** Whether a problem is one of the server or its database being away. */
export const isPassing = (problem: unknown) => problem instanceof Problem && passing.includes(problem.type)

const client = createClient<paths>({
    fetch: (request) =>
        askAgain(request.method, (headers) => {
            const sent = request.clone()
            for (const [name, value] of headers) sent.headers.set(name, value)
            return fetch(sent)
        }).catch((problem: unknown) => {
            throw Problem.unanswered(problem)
        }),
})

export const api = client

// What answers did to a pack: the revision that each made. Those that changed nothing are not in it.
const acts = new WeakMap<object, number>()

/** Notes what an answer did. */
export function noteAct(found: unknown, headers: { get(name: string): string | null }): void {
    const made = headers.get('Underlay-Act')
    if (made && typeof found === 'object' && found) acts.set(found, Number(made))
}

/** The revision that the request behind an answer made; undefined where it changed nothing. */
export const actOf = (found: unknown) => (typeof found === 'object' && found ? acts.get(found) : undefined)

/** Whether the author cancelled what there is no answer to. */
export const wasStopped = (problem: unknown) =>
    isStopped(problem) || (problem instanceof Problem && problem.type === '/problems/stopped')

/** The data of an answer; a problem is thrown. */
export async function data<T>(answer: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
    const { data: found, error, response } = await answer
    if (!response.ok) throw Problem.of(error)
    noteAct(found, response.headers)
    return found as T
}

const encode = encodeURIComponent

/** Where the bytes of a pack's file are; with its hash they may be kept for good. */
export const fileUrl = (pack: string, path: string, hash?: string | null) =>
    `/api/packs/${pack}/file?path=${encode(path)}${hash ? `&hash=${encode(hash)}` : ''}`

/** Where the bytes of a base's file are. */
export const baseUrl = (host: string, edition: string, path: string, hash?: string | null) =>
    `/api/hosts/${host}/editions/${encode(edition)}/base/file?path=${encode(path)}${hash ? `&hash=${encode(hash)}` : ''}`

/** Where a picture by which something is shown is: the pack's, or the base's. */
export const pictureUrl = (pack: string, summary: PackSummary, picture: ShownPicture) =>
    picture.isOfBase
        ? baseUrl(summary.host, summary.edition, picture.path, picture.hash)
        : fileUrl(pack, picture.path, picture.hash)
