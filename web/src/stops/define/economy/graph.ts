import dagre from '@dagrejs/dagre'
import type { EconomyView, GoodView, RecipeView } from '@/api/client'
import { sum } from './words'

// More would not be taken in at a glance, nor laid out at once.
const most = 80

export interface Node {
    key: string
    good?: GoodView
    recipe?: RecipeView
    x: number
    y: number
    width: number
    height: number
}

export interface Line {
    key: string
    /** How much of it goes along it. */
    amount: string
    /** Part of the cheapest way. */
    isWay: boolean
    points: { x: number; y: number }[]
    at: { x: number; y: number }
}

export interface Graph {
    nodes: Node[]
    lines: Line[]
    width: number
    height: number
    /** What was left away because it is too much. */
    isCut: boolean
}

/**
 * How a good is made and what it goes into, from left to right: all ways that make it, of what goes into them the cheapest way, and
 * the recipes that take it.
 */
export function graphOf(economy: EconomyView, chosen: string): Graph {
    const goods = new Map(economy.goods.map((good) => [good.key, good]))
    const makers = new Map<string, RecipeView[]>()
    for (const recipe of economy.recipes)
        for (const part of recipe.makes) makers.set(part.shown!, [...(makers.get(part.shown!) ?? []), recipe])
    const drawn = new Map<string, RecipeView>()
    const seen = new Set([chosen])
    const next = [chosen]
    let isCut = false
    const add = (recipe: RecipeView) => {
        if (drawn.has(recipe.path)) return
        if (drawn.size + seen.size >= most) isCut = true
        else {
            drawn.set(recipe.path, recipe)
            for (const { shown } of [...recipe.uses, ...recipe.makes]) if (shown) seen.add(shown)
        }
    }
    for (let key = next.shift(); key !== undefined; key = next.shift()) {
        const ways = makers.get(key) ?? []
        const cheapest = goods.get(key)?.after?.way
        for (const way of key === chosen ? ways : ways.filter((recipe) => recipe.path === cheapest)) {
            if (drawn.has(way.path)) continue
            add(way)
            for (const { shown } of way.uses) if (shown && shown !== chosen && !next.includes(shown)) next.push(shown)
        }
    }
    for (const recipe of economy.recipes) if (recipe.uses.some((part) => part.shown === chosen)) add(recipe)
    return layOut(goods, seen, drawn, isCut)
}

function layOut(
    goods: Map<string, GoodView>,
    seen: Set<string>,
    drawn: Map<string, RecipeView>,
    isCut: boolean,
): Graph {
    const graph = new dagre.graphlib.Graph({ multigraph: true })
    graph.setGraph({ rankdir: 'LR', nodesep: 16, edgesep: 14, ranksep: 30, marginx: 12, marginy: 12 })
    graph.setDefaultEdgeLabel(() => ({}))
    for (const key of seen) graph.setNode(key, { width: 156, height: 50 })
    const lines: { from: string; to: string; amount: string; isWay: boolean }[] = []
    for (const recipe of drawn.values()) {
        graph.setNode(recipe.path, { width: 128, height: 44 })
        const isWay = recipe.makes.some(({ shown }) => goods.get(shown!)?.after?.way === recipe.path)
        for (const { shown, amount, choices } of recipe.uses)
            if (shown)
                lines.push({
                    from: shown,
                    to: recipe.path,
                    amount: choices > 1 ? `${sum(amount)}, or ${choices - 1} others` : sum(amount),
                    isWay,
                })
        for (const { shown, amount } of recipe.makes)
            if (shown && seen.has(shown))
                lines.push({
                    from: recipe.path,
                    to: shown,
                    amount: sum(amount),
                    isWay: goods.get(shown)?.after?.way === recipe.path,
                })
    }
    // The amounts take room of their own, so that no line runs through one.
    lines.forEach(({ from, to, amount }, index) =>
        graph.setEdge(from, to, { width: 10 + amount.length * 7, height: 18, labelpos: 'c' }, String(index)),
    )
    dagre.layout(graph)
    const { width = 0, height = 0 } = graph.graph()
    return {
        nodes: graph
            .nodes()
            .map((key) => ({ ...boxOf(graph.node(key)), key, good: goods.get(key), recipe: drawn.get(key) })),
        lines: lines.map(({ from, to, amount, isWay }, index) => {
            const { points, x, y } = graph.edge(from, to, String(index)) as Omit<Line, 'at'> & { x: number; y: number }
            return { key: String(index), amount, isWay, points, at: { x, y } }
        }),
        width,
        height,
        isCut,
    }
}

const boxOf = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }) => ({
    x: x - width / 2,
    y: y - height / 2,
    width,
    height,
})
