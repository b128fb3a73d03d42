import { Problem } from './client'

/** A dropped or chosen file with its path in the folder that it came from. */
export interface Incoming {
    path: string
    file: File
}

/** Sends files as one multipart request, with progress in bytes. */
export function upload<T>(url: string, files: readonly Incoming[], progress: (sent: number) => void): Promise<T> {
    const form = new FormData()
    for (const { path, file } of files) form.append('file', file, path)
    return new Promise((resolve, reject) => {
        const request = new XMLHttpRequest()
        request.open('POST', url)
        request.upload.onprogress = (event) => progress(event.loaded)
        request.onerror = () => reject(Problem.unreachable())
        request.onload = () => {
            const body: unknown = request.responseText ? JSON.parse(request.responseText) : null
            if (request.status < 300) resolve(body as T)
            else reject(Problem.of(body))
        }
        request.send(form)
    })
}

const batchBytes = 64 << 20
const batchFiles = 4000

/** Splits a large drop, so that no request is too much at once. */
export function batches(files: readonly Incoming[]): Incoming[][] {
    const result: Incoming[][] = []
    let bytes = 0
    for (const item of files) {
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
