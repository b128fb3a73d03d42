import { readFileSync } from 'node:fs'

/** One thing that the guide asks its reader to do. */
export type Act =
    | { do: 'press'; words: string }
    | { do: 'fill'; label: string; text: string }
    | { do: 'search'; text: string }
    | { do: 'folder'; path: string; press: string }
    | { do: 'row-menu'; path: string }

/** A numbered step of the guide. */
export interface Step {
    number: number
    text: string
    acts: Act[]
}

interface Found {
    at: number
    acts: Act[]
}

const list = /[Pp]ress ((?:\*\*.+?\*\*(?:, then |, | and )?)+)/g
const bold = /\*\*(.+?)\*\*/g

/** All that is to be pressed in a sentence: "Press **A**, **B** and **C**", "Press **A**, then **B**". */
const presses = (sentence: string): Found[] =>
    [...sentence.matchAll(list)].map((m) => ({
        at: m.index,
        acts: [...m[1]!.matchAll(bold)].map(([, words]): Act => ({ do: 'press', words: words! })),
    }))

function read(sentence: string): Act[] {
    const title = /title `(.+?)`/.exec(sentence)
    if (title) return [{ do: 'fill', label: 'Title', text: title[1]! }]
    if (/your name type/.test(sentence)) return [{ do: 'fill', label: 'Your name', text: 'Tove Salter' }]
    const prefix = /prefix type .*`(.+?)`/.exec(sentence)
    if (prefix) return [{ do: 'fill', label: 'Prefix', text: prefix[1]! }]
    const folder = /folder `(.+?)`.*\*\*(.+?)\*\*/.exec(sentence)
    if (folder) return [{ do: 'folder', path: folder[1]!, press: folder[2]! }]
    const found = presses(sentence)
    const search = /[Tt]ype `(.+?)` into the search/.exec(sentence)
    if (search) found.push({ at: search.index, acts: [{ do: 'search', text: search[1]! }] })
    const menu = /three dots at the end of the row of `(.+?)` and \*\*(.+?)\*\*/.exec(sentence)
    if (menu) {
        const acts: Act[] = [
            { do: 'row-menu', path: menu[1]! },
            { do: 'press', words: menu[2]! },
        ]
        found.push({ at: menu.index, acts })
    }
    const thing = /press the ([a-z ]+?) in the strip/.exec(sentence)
    if (thing) found.push({ at: thing.index, acts: [{ do: 'press', words: thing[1]! }] })
    return found.sort((a, b) => a.at - b.at).flatMap((f) => f.acts)
}

/** "Do the same for X": the acts before, with the name changed. */
function again(acts: readonly Act[], name: string): Act[] {
    const before = acts.find((act) => act.do === 'search')!.text
    return JSON.parse(JSON.stringify(acts).replaceAll(before, name)) as Act[]
}

/** The numbered steps of the guide, as a reader would carry them out. A step that asks for nothing is a mistake. */
export function readGuide(file: string): Step[] {
    const lines = readFileSync(file, 'utf8').split('\n')
    return lines.flatMap((line): Step[] => {
        const found = /^(\d+)\. (.+)$/.exec(line)
        if (!found) return []
        const acts: Act[] = []
        for (const sentence of found[2]!.split(/(?<=\.)\s+(?=[A-Z*])/)) {
            const same = /Do the same for `(.+?)`/.exec(sentence)
            acts.push(...(same ? again(acts, same[1]!) : read(sentence)))
        }
        return [{ number: Number(found[1]), text: found[2]!, acts }]
    })
}

/** What the guide has its reader type into a terminal below a heading. */
export const readCommands = (file: string, heading: string) =>
    readFileSync(file, 'utf8')
        .split(`## ${heading}`)[1]!
        .split('```')[1]!
        .trim()
        .split('\n')
        .map((line) => line.replace(/\s+/g, ' ').trim())
