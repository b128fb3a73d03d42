import { lexer, parser, Renderer, type Token, type Tokens } from 'marked'
import checks from '../../../../docs/checks.md?raw'
import guide from '../../../../docs/guide.md?raw'
import words from '../../../../docs/words.md?raw'

/** One page of help: a heading of the guide, a check or a word, with what stands beneath it. */
export interface HelpPage {
    /** Its address: "guide/3-gather-your-files", "checks/image/alpha-lost", "words/base". */
    key: string
    part: 'Guide' | 'Findings' | 'Words'
    title: string
    html: string
    /** Title and text in small letters, for the search. */
    text: string
}

// Pictures of these pages in these pages would show nothing new, and weigh much.
const renderer = Object.assign(new Renderer(), { image: () => '' })
const slug = (title: string) =>
    title
        .toLowerCase()
        .replace(/[^a-z0-9/]+/g, '-')
        .replace(/^-|-$/g, '')
const html = (tokens: Token[]) => parser(tokens, { renderer })
const plain = (text: string) => text.replace(/<[^>]*>/g, ' ').toLowerCase()

/** The text under each heading of some depth, up to the next heading. */
function sections(markdown: string, depth: number): { title: string; tokens: Token[] }[] {
    const found: { title: string; tokens: Token[] }[] = []
    let isInside = false
    for (const token of lexer(markdown)) {
        if (token.type === 'heading') {
            isInside = (token as Tokens.Heading).depth === depth
            if (isInside) found.push({ title: (token as Tokens.Heading).text, tokens: [] })
        } else if (isInside) found.at(-1)!.tokens.push(token)
    }
    return found
}

function page(part: HelpPage['part'], folder: string, title: string, body: string): HelpPage {
    return { key: `${folder}/${slug(title)}`, part, title, html: body, text: plain(`${title} ${body}`) }
}

/** The rows of a table of words. */
function rows(markdown: string): [string, string][] {
    const table = lexer(markdown).find((token) => token.type === 'table') as Tokens.Table
    return table.rows.map((row) => [row[0]!.text, row[1]!.text])
}

/** All of help, in the order of the texts. It ships with the application: nothing is fetched from elsewhere. */
export const pages: readonly HelpPage[] = [
    ...sections(guide, 2).map((s) => page('Guide', 'guide', s.title, html(s.tokens))),
    // What the host does, why and how to mend it: each by itself.
    ...sections(checks.replaceAll(/ (\*\*(?:Why|Repair):\*\*)/g, '\n\n$1'), 3).map((s) =>
        page('Findings', 'checks', s.title, html(s.tokens)),
    ),
    ...rows(words).map(([word, meaning]) => page('Words', 'words', word, `<p>${meaning}</p>`)),
]

/** The page at an address; undefined where there is none. */
export const pageAt = (key: string) => pages.find((one) => one.key === key)

/** Pages that have all of some words, those that have them in their title first. */
export function search(typed: string): readonly HelpPage[] {
    const wanted = typed.toLowerCase().split(/\s+/).filter(Boolean)
    const hits = pages.filter((one) => wanted.every((word) => one.text.includes(word)))
    const inTitle = (one: HelpPage) => wanted.every((word) => one.title.toLowerCase().includes(word))
    return [...hits.filter(inTitle), ...hits.filter((one) => !inTitle(one))]
}

/** The page to which a link of the texts leads: "checks.md#imagealpha-lost". */
export function linked(href: string): HelpPage | undefined {
    const [, file, anchor] = /(?:(\w+)\.md)?#?(.*)$/.exec(href) ?? []
    const bare = (text: string) => text.replace(/[^a-z0-9-]/g, '')
    return pages.find((one) => (!file || one.key.startsWith(file)) && bare(slug(one.title)) === bare(anchor ?? ''))
}
