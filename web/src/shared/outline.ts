import type { SoundOutline } from '@/api/client'

/** The path of a sound's outline between two places across, in a picture of 100 from top to bottom. */
export function outlinePath({ lows, highs }: SoundOutline, left: number, right: number): string {
    const step = (right - left) / Math.max(1, highs.length - 1)
    const point = (value: number, index: number) =>
        `${(left + index * step).toFixed(1)} ${(50 - value * 48).toFixed(1)}`
    return `M${highs.map(point).join('L')}L${lows.map(point).reverse().join('L')}Z`
}
