/** What is seen of sounds that lie above each other. Seconds. */
export interface Span {
    from: number
    to: number
}

// Shorter spans show single samples. Seconds.
const shortest = 0.01

/** A span closer or wider: a moment stays where it is seen, and nothing beside the sounds is shown. */
export function zoomed({ from, to }: Span, times: number, at: number, length: number): Span {
    const wide = Math.min(length, Math.max(Math.min(shortest, length), (to - from) * times))
    const share = (Math.min(to, Math.max(from, at)) - from) / (to - from)
    return moved({ from: 0, to: wide }, at - share * wide, length)
}

/** The span from another moment on. */
export function moved({ from, to }: Span, start: number, length: number): Span {
    const wide = to - from
    const now = Math.max(0, Math.min(length - wide, start))
    return { from: now, to: now + wide }
}

/** Where a moment lies across a picture that is 1000 wide. */
export const across = (seconds: number, { from, to }: Span) => ((seconds - from) / (to - from)) * 1000
