import type { CostView, GoodView } from '@/api/client'

/** An amount, with no more digits than tell it apart. */
export const sum = (amount: number) => String(Math.round(amount * 100) / 100)

/** A sum of the host's coin. */
export const coins = (price: number) => `${sum(price)} ${sum(price) === '1' ? 'coin' : 'coins'}`

/** Minutes as people say them: 35 min, 6 h 20. */
export function time(minutes: number) {
    const whole = Math.round(minutes)
    return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`
}

const differ = (one: CostView | null | undefined, other: CostView | null | undefined) =>
    Boolean(one) !== Boolean(other) ||
    (one && other && (Math.abs(one.price - other.price) > 1e-9 || Math.abs(one.minutes - other.minutes) > 1e-9))

/** Whether the pack adds something or changes what it costs. */
export const isChanged = (good: GoodView) => good.isYours || Boolean(differ(good.before, good.after))

/** What became of a cost: both where they differ. */
export function change(good: GoodView, read: (cost: CostView) => string) {
    if (!good.after) return good.before ? 'cannot be had any more' : 'cannot be had'
    const [before, now] = [good.before && read(good.before), read(good.after)]
    return before && before !== now ? `${before} → ${now}` : now
}
