import { crc32, deflateSync } from 'node:zlib'

type Pixel = [r: number, g: number, b: number, a?: number]

/** A PNG in full colour with alpha, of what a function says of each pixel. */
export function png(width: number, height: number, at: (x: number, y: number) => Pixel): Buffer {
    const rows = Buffer.alloc(height * (1 + width * 4))
    for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++) {
            const [r, g, b, a = 255] = at(x, y)
            rows.set([r, g, b, a], y * (1 + width * 4) + 1 + x * 4)
        }
    const header = Buffer.alloc(13)
    header.writeUInt32BE(width, 0)
    header.writeUInt32BE(height, 4)
    header.set([8, 6], 8)
    return Buffer.concat([
        Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
        chunk('IHDR', header),
        chunk('IDAT', deflateSync(rows)),
        chunk('IEND', Buffer.alloc(0)),
    ])
}

function chunk(type: string, data: Buffer): Buffer {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data])
    const frame = Buffer.alloc(body.length + 8)
    frame.writeUInt32BE(data.length, 0)
    body.copy(frame, 4)
    frame.writeUInt32BE(crc32(body), body.length + 4)
    return frame
}
