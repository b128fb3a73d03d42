/** A sound that is drawn by its turns beside the others, and rested after. */
export interface Stroke {
    sound: string
    turns: number
    /** Milliseconds. */
    rest: number
}

/**
 * The stroke that a number from 0 to 1 draws: each has a part of that range as large as its share of all turns. Without any turn
 * all are as likely.
 */
export function draw<T extends { turns: number }>(strokes: readonly T[], at: number): T | undefined {
    const sum = strokes.reduce((all, { turns }) => all + turns, 0)
    if (sum <= 0) return strokes[Math.min(strokes.length - 1, Math.floor(at * strokes.length))]
    let left = at * sum
    return strokes.find(({ turns }) => (left -= turns) < 0) ?? strokes.findLast(({ turns }) => turns > 0)
}
