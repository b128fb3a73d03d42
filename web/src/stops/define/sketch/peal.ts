/** A sound that is drawn by its weight beside the others, and rested after. */
export interface Stroke {
    sound: string
    weight: number
    /** Milliseconds. */
    rest: number
}

/**
 * The stroke that a number from 0 to 1 draws: each has a part of that range as large as its share of the weights. Without any weight
 * all are as likely.
 */
export function draw<T extends { weight: number }>(strokes: readonly T[], at: number): T | undefined {
    const sum = strokes.reduce((all, { weight }) => all + weight, 0)
    if (sum <= 0) return strokes[Math.min(strokes.length - 1, Math.floor(at * strokes.length))]
    let left = at * sum
    return strokes.find(({ weight }) => (left -= weight) < 0) ?? strokes.findLast(({ weight }) => weight > 0)
}
