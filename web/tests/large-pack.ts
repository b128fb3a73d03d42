import { crc32, deflateSync } from 'node:zlib'
import type { APIRequestContext } from '@playwright/test'

/** A ZIP whose entries are stored as they are. */
export function zip(files: readonly { name: string; bytes: Buffer }[]): Buffer {
    const parts: Buffer[] = []
    const directory: Buffer[] = []
    let at = 0
    for (const { name, bytes } of files) {
        const path = Buffer.from(name)
        const common = Buffer.alloc(26)
        common.writeUInt16LE(20, 0)
        common.writeUInt16LE(33, 8)
        common.writeUInt32LE(crc32(bytes), 10)
        common.writeUInt32LE(bytes.length, 14)
        common.writeUInt32LE(bytes.length, 18)
        common.writeUInt16LE(path.length, 22)
        const start = Buffer.alloc(4)
        start.writeUInt32LE(at)
        parts.push(Buffer.from('PK\x03\x04'), common, path, bytes)
        directory.push(Buffer.from('PK\x01\x02\x14\x00', 'latin1'), common, Buffer.alloc(10), start, path)
        at += 30 + path.length + bytes.length
    }
    const listed = Buffer.concat(directory)
    const end = Buffer.alloc(18)
    end.writeUInt16LE(files.length, 4)
    end.writeUInt16LE(files.length, 6)
    end.writeUInt32LE(listed.length, 8)
    end.writeUInt32LE(at, 12)
    return Buffer.concat([...parts, listed, Buffer.from('PK\x05\x06'), end])
}

/** A square of one colour as PNG. */
function square(colour: number): Buffer {
    const side = 32
    const rows = Buffer.concat(
        Array.from({ length: side }, () =>
            Buffer.concat([Buffer.alloc(1), Buffer.alloc(side * 3, Buffer.from([colour & 255, colour >> 8, 90]))]),
        ),
    )
    const chunk = (kind: string, data: Buffer) => {
        const body = Buffer.concat([Buffer.from(kind), data])
        const length = Buffer.alloc(4)
        const sum = Buffer.alloc(4)
        length.writeUInt32BE(data.length)
        sum.writeUInt32BE(crc32(body))
        return Buffer.concat([length, body, sum])
    }
    const head = Buffer.from([0, 0, 0, side, 0, 0, 0, side, 8, 2, 0, 0, 0])
    return Buffer.concat([
        Buffer.from('\x89PNG\r\n\x1a\n', 'latin1'),
        chunk('IHDR', head),
        chunk('IDAT', deflateSync(rows)),
        chunk('IEND', Buffer.alloc(0)),
    ])
}

/** How many pictures a large pack has. */
export const number = 5000
const nameOf = (index: number) => `art/surfaces/saltbrook_${String(index).padStart(4, '0')}`

/** A pack of 5,000 pictures and as many entries; one in a hundred names a material that there is not. */
export async function largePack(request: APIRequestContext): Promise<string> {
    const files = Array.from({ length: number }, (_, index) => [
        { name: `${nameOf(index)}.png`, bytes: square(index) },
        {
            name: `${nameOf(index)}.surface.json`,
            bytes: Buffer.from(`{ "made_of": "${index % 100 === 7 ? 'stonne' : 'stone'}", "edge": "solid" }`),
        },
    ]).flat()
    const manifest = '{ "id": "saltbrook.large", "title": "Large", "version": "1.0.0" }'
    const bytes = zip([{ name: 'firing.json', bytes: Buffer.from(manifest) }, ...files])
    const made = await request.post('/api/packs/import', {
        multipart: { files: { name: 'large.kilnmoor', mimeType: 'application/zip', buffer: bytes } },
    })
    return ((await made.json()) as { id: string }).id
}
