/** A number of things: "12", "5,000". */
export const whole = (number: number) => number.toLocaleString('en')

/** "1 file", "12 files". */
export const count = (number: number, word: string, plural = `${word}s`) =>
    `${whole(number)} ${number === 1 ? word : plural}`

/** A size in pixels as everywhere: "56 x 56". */
export const pixels = (size: { width: number; height: number } | null | undefined) =>
    size ? `${size.width} x ${size.height}` : ''

/** How long a sound is and how it is played: "0.80 s, 32 kHz, mono". */
export const heard = (sound: { seconds: number; rate: number; channels: number } | null | undefined) =>
    sound
        ? `${sound.seconds.toFixed(2)} s, ${+(sound.rate / 1000).toFixed(2)} kHz, ${
              sound.channels === 1 ? 'mono' : sound.channels === 2 ? 'stereo' : `${sound.channels} channels`
          }`
        : ''

/** A length in the unit that people read best. */
export function bytes(length: number): string {
    if (length < 1024) return `${length} B`
    if (length < 1024 * 1024) return `${Math.round(length / 1024)} KB`
    return `${(length / 1024 / 1024).toFixed(1)} MB`
}

/** A moment as people say it. */
export const moment = (text: string) =>
    new Date(text).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })

export const day = (text: string) => new Date(text).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })

/** What a file is by its ending, where there is no picture of it: "JSON"; a line of a table counts as the table. */
export function endingOf(path: string): string {
    const file = path.split('#')[0]!
    const dot = file.lastIndexOf('.')
    return dot > file.lastIndexOf('/') ? file.slice(dot + 1).toUpperCase() : 'file'
}

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
