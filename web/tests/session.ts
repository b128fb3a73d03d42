/**
 * Tones with a second of silence between them, and a click after the second, as a WAV file. Each is longer than the one before it,
 * if `longer` says so: tones of one pitch and length are one sound done twice.
 */
export function session(pitches: number[], longer = 0.2): Buffer {
    const rate = 16_000
    const samples: number[] = []
    const pause = (seconds: number) => samples.push(...new Array<number>(Math.round(seconds * rate)).fill(0))
    const tone = (pitch: number, seconds: number, level: number) => {
        const frames = Math.round(seconds * rate)
        for (let i = 0; i < frames; i++)
            samples.push(level * Math.min(1, i / 200, (frames - i) / 800) * Math.sin((2 * Math.PI * pitch * i) / rate))
    }
    pause(1)
    pitches.forEach((pitch, index) => {
        tone(pitch, 0.5 + index * longer, 0.4)
        pause(1)
        if (index === 1) {
            tone(2000, 0.06, 0.3)
            pause(1)
        }
    })
    const wav = Buffer.alloc(44 + samples.length * 2)
    wav.write('RIFF', 0)
    wav.writeUInt32LE(36 + samples.length * 2, 4)
    wav.write('WAVEfmt ', 8)
    wav.writeUInt32LE(16, 16)
    wav.writeUInt16LE(1, 20)
    wav.writeUInt16LE(1, 22)
    wav.writeUInt32LE(rate, 24)
    wav.writeUInt32LE(rate * 2, 28)
    wav.writeUInt16LE(2, 32)
    wav.writeUInt16LE(16, 34)
    wav.write('data', 36)
    wav.writeUInt32LE(samples.length * 2, 40)
    samples.forEach((sample, i) => wav.writeInt16LE(Math.round(sample * 32_767), 44 + i * 2))
    return wav
}
