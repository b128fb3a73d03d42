import type { EconomyView, GoodView, RecipeView } from '@/api/client'
import { sum } from './words'

// More would not be taken in at a glance.
const most = 24
const least = 26
const room = 46

/** A good in a recipe: a layer, as thick as there is much of it. */
export interface Layer {
    key: string
    good: GoodView | undefined
    /** How much of it, in words. */
    amount: string
    /** Pixels. */
    height: number
}

/** A recipe: what goes into its station lies below the line, what comes out of it above. */
export interface Column {
    recipe: RecipeView
    /** Part of the cheapest way to what is asked for. */
    isWay: boolean
    makes: Layer[]
    uses: Layer[]
}

/** The recipes around a good, in the order of the work. */
export interface EconomySection {
    /** Those that lead to it, what they need made before them. */
    toIt: Column[]
    /** Those into which it goes. */
    fromIt: Column[]
    /** The highest of both sides of the line, so that it lies at one height in all columns. Pixels. */
    above: number
    below: number
    /** What was left away because it is too much. */
    isCut: boolean
}

/**
 * How a good is made and what it goes into: all ways that make it, of what goes into those the cheapest way, and the recipes that take it.
 */
export function sectionOf(economy: EconomyView, chosen: string): EconomySection {
    const goods = new Map(economy.goods.map((good) => [good.key, good]))
    const makers = new Map<string, RecipeView[]>()
    for (const recipe of economy.recipes)
        for (const part of recipe.makes) makers.set(part.shown!, [...(makers.get(part.shown!) ?? []), recipe])
    const depth = new Map<RecipeView, number>()
    const seen = new Set([chosen])
    let isCut = false
    let next: { key: string; at: number }[] = [{ key: chosen, at: 0 }]
    while (next.length > 0) {
        const deeper: typeof next = []
        for (const { key, at } of next) {
            const ways = makers.get(key) ?? []
            const cheapest = goods.get(key)?.after?.way
            for (const way of key === chosen ? ways : ways.filter((recipe) => recipe.path === cheapest)) {
                if (depth.has(way)) continue
                if (depth.size >= most) {
                    isCut = true
                    continue
                }
                depth.set(way, at)
                for (const { shown } of way.uses)
                    if (shown && !seen.has(shown)) {
                        seen.add(shown)
                        deeper.push({ key: shown, at: at + 1 })
                    }
            }
        }
        next = deeper
    }
    const takers = economy.recipes.filter(
        (recipe) => !depth.has(recipe) && recipe.uses.some((part) => part.shown === chosen),
    )
    isCut ||= takers.length > most
    const isWay = (recipe: RecipeView) =>
        recipe.makes.some(({ shown }) => goods.get(shown!)?.after?.way === recipe.path)
    const before = [...depth].sort(([a, x], [b, y]) => y - x || Number(isWay(b)) - Number(isWay(a)))
    const shown = [...before.map(([recipe]) => recipe), ...takers.slice(0, most)]
    const largest = Math.max(...shown.flatMap((recipe) => [...recipe.uses, ...recipe.makes]).map((p) => p.amount), 1)
    const layer = ({ shown: key, amount, choices }: RecipeView['uses'][number]): Layer => ({
        key: key ?? '',
        good: key ? goods.get(key) : undefined,
        amount: choices > 1 ? `${sum(amount)}, or ${choices - 1} others` : sum(amount),
        height: Math.round(least + room * Math.sqrt(amount / largest)),
    })
    const column = (recipe: RecipeView): Column => ({
        recipe,
        isWay: isWay(recipe),
        makes: recipe.makes.map(layer),
        uses: recipe.uses.map(layer),
    })
    const toIt = before.map(([recipe]) => column(recipe))
    const fromIt = takers.slice(0, most).map(column)
    const high = (layers: Layer[]) => layers.reduce((height, one) => height + one.height, 0)
    return {
        toIt,
        fromIt,
        above: Math.max(0, ...[...toIt, ...fromIt].map((one) => high(one.makes))),
        below: Math.max(0, ...[...toIt, ...fromIt].map((one) => high(one.uses))),
        isCut,
    }
}
