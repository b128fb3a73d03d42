/** One channel of samples, -1 to 1, as a WAV file of 32-bit floats: nothing of a recording is lost on the way (RIFF WAVE, format 3). */
export function wavOf(blocks: readonly Float32Array[], rate: number): Blob {
    const frames = blocks.reduce((sum, block) => sum + block.length, 0)
    const head = new DataView(new ArrayBuffer(58))
    const word = (at: number, text: string) => [...text].forEach((c, i) => head.setUint8(at + i, c.charCodeAt(0)))
    word(0, 'RIFF')
    head.setUint32(4, 50 + frames * 4, true)
    word(8, 'WAVEfmt ')
    head.setUint32(16, 18, true)
    head.setUint16(20, 3, true)
    head.setUint16(22, 1, true)
    head.setUint32(24, rate, true)
    head.setUint32(28, rate * 4, true)
    head.setUint16(32, 4, true)
    head.setUint16(34, 32, true)
    // The chunk "fact" tells the frames; formats other than PCM have it.
    word(38, 'fact')
    head.setUint32(42, 4, true)
    head.setUint32(46, frames, true)
    word(50, 'data')
    head.setUint32(54, frames * 4, true)
    return new Blob([head, ...(blocks as Float32Array<ArrayBuffer>[])], { type: 'audio/wav' })
}
