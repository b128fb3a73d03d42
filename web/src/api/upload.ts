import { askAgain } from './askAgain'
import { noteAct, Problem, type Refused } from './client'

/** A dropped or chosen file with its path in the folder that it came from. */
export interface Incoming {
    path: string
    file: File
}

/** Sends files as one multipart request, with progress in bytes. */
export async function upload<T>(
    url: string,
    files: readonly Incoming[],
    signal: AbortSignal,
    progress: (sent: number) => void,
): Promise<T> {
    const form = new FormData()
    for (const { path, file } of files) form.append('file', file, path)
    const { status, text, headers } = await askAgain('POST', (sent) => post(url, form, sent, signal, progress)).catch(
        (problem: unknown) => {
            throw Problem.unanswered(problem)
        },
    )
    const body: unknown = text ? JSON.parse(text) : null
    if (status >= 300) throw Problem.of(body)
    noteAct(body, headers)
    return body as T
}

/** One try; fetch does not tell how far it is. */
function post(
    url: string,
    form: FormData,
    headers: [string, string][],
    signal: AbortSignal,
    progress: (sent: number) => void,
) {
    return new Promise<{ status: number; text: string; headers: { get(name: string): string | null } }>(
        (resolve, reject) => {
            signal.throwIfAborted()
            const request = new XMLHttpRequest()
            const stop = () => request.abort()
            signal.addEventListener('abort', stop)
            request.onloadend = () => signal.removeEventListener('abort', stop)
            request.onabort = () => reject(new DOMException('It was cancelled.', 'AbortError'))
            request.open('POST', url)
            for (const [name, value] of headers) request.setRequestHeader(name, value)
            request.upload.onprogress = (event) => progress(event.loaded)
            request.onerror = () => reject(new Error('There was no answer.'))
            request.onload = () =>
                resolve({
                    status: request.status,
                    text: request.responseText,
                    headers: { get: (name) => request.getResponseHeader(name) },
                })
            request.send(form)
        },
    )
}

/** The most bytes of one file, as the server has it (FactsReader.MostBytes). */
const mostBytes = 256 << 20

/** The most bytes of one request, as the server has it (UploadReader.MostBytes). */
const mostAtOnce = 1 << 30

/** The bytes of files. */
export const bytesOf = (files: readonly Incoming[]) => files.reduce((sum, { file }) => sum + file.size, 0)

/** Whether files are more than one request can have. */
export const isTooMuch = (files: readonly Incoming[]) => bytesOf(files) >= mostAtOnce

/** Files that are not sent, since the server would read them to the end only to refuse them. */
export const tooLarge = (files: readonly Incoming[]): Refused[] =>
    files
        .filter(({ file }) => file.size > mostBytes)
        .map(({ path }) => ({ path, says: `“${path}” has more than ${mostBytes >> 20} MB.` }))

const batchBytes = 64 << 20
const batchFiles = 4000

/** Splits a large drop, so that no request is too much at once. Files that are too large are left out. */
export function batches(files: readonly Incoming[]): Incoming[][] {
    const result: Incoming[][] = []
    let bytes = 0
    for (const item of files) {
        if (item.file.size > mostBytes) continue
        const last = result.at(-1)
        if (!last || last.length >= batchFiles || bytes + item.file.size > batchBytes) {
            result.push([item])
            bytes = item.file.size
        } else {
            last.push(item)
            bytes += item.file.size
        }
    }
    return result
}
