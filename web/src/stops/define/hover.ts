import { hoverTooltip } from '@codemirror/view'
import { findNodeAtOffset, getNodePath, getNodeValue, parseTree } from 'jsonc-parser'
import { fieldsIn, type Known } from './parameters'
import { nameOf } from './picks'
import { anyItem, fieldAt, fieldsOf, type Field } from './schema'

/** What is said of the place in a text, and the part of it that it is said of. */
export interface Hover {
    from: number
    to: number
    title: string
    lines: string[]
}

/** What the kind says of the field or value at an offset; nothing where it says nothing. */
export function hoverAt(text: string, at: number, known: Known): Hover | null {
    const root = parseTree(text)
    const node = root && findNodeAtOffset(root, at)
    if (!node || ['object', 'array', 'property'].includes(node.type)) return null
    const steps = getNodePath(node).map(String)
    const field =
        fieldAt(fieldsOf(known.schema), steps) ??
        fieldsIn(known, getNodeValue(root), steps.slice(0, -1)).find(({ name }) => name === steps.at(-1))
    if (!field) return null
    // The name of a field stands before its value, with the same way to it.
    const isName = node.parent?.type === 'property' && node.parent.children?.[0] === node
    const chosen = isName
        ? undefined
        : known.choices[anyItem(`/${steps.join('/')}`)]?.find(({ value }) => value === node.value)
    return {
        from: node.offset,
        to: node.offset + node.length,
        title: field.title,
        lines: [
            chosen ? [nameOf(chosen), chosen.group, chosen.fromPack ? 'yours' : ''].filter(Boolean).join(', ') : '',
            field.help,
            limits(field),
            field.isRequired ? '' : 'May be left out.',
        ].filter(Boolean),
    }
}

/** The numbers that a field may have, and in what. */
function limits({ minimum, maximum, unit, default: usual }: Field): string {
    const range =
        minimum !== undefined && maximum !== undefined
            ? `${minimum} to ${maximum}`
            : minimum !== undefined
              ? `${minimum} or more`
              : ''
    return [range, unit && `in ${unit}`, usual === undefined ? '' : `${JSON.stringify(usual)} when left out`]
        .filter(Boolean)
        .join(', ')
}

/** Help under the mouse. */
export const hoverHelp = (known: () => Known) =>
    hoverTooltip((view, at) => {
        const found = hoverAt(view.state.doc.toString(), at, known())
        if (!found) return null
        return {
            pos: found.from,
            end: found.to,
            above: true,
            create: () => {
                const dom = document.createElement('div')
                dom.className = 'cm-help'
                dom.append(
                    ...[found.title, ...found.lines].map((line, index) =>
                        Object.assign(document.createElement(index === 0 ? 'strong' : 'p'), { textContent: line }),
                    ),
                )
                return { dom }
            },
        }
    })
