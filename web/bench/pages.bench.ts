import { test, type Page } from '@playwright/test'
import { largePack, number } from '../tests/large-pack'

const marks: Record<string, string> = {
    Gather: '[data-path]',
    Shape: '[aria-label="Pictures and sounds of the pack"] button',
    Define: '[aria-label="Entries of the pack"] button',
    Prove: '[data-path]',
    Release: 'h2',
}

const middle = (times: number[]) => times.sort((a, b) => a - b)[times.length >> 1]!

/** From the press of a stop until its first row is painted, in milliseconds. */
const goTo = (page: Page, stop: string) =>
    page.evaluate(
        async ([name, mark]) => {
            const begun = performance.now()
            const links = [...document.querySelectorAll<HTMLElement>('nav[aria-label="Stops"] a')]
            links.find((link) => link.textContent!.trim().startsWith(name!))!.click()
            const is = () => location.pathname.endsWith(name!.toLowerCase()) && document.querySelector(`#work ${mark}`)
            while (!is()) {
                if (performance.now() - begun > 60_000) throw new Error(`No ${mark} came at ${name}.`)
                await new Promise(requestAnimationFrame)
            }
            await new Promise(requestAnimationFrame)
            return performance.now() - begun
        },
        [stop, marks[stop]],
    )

/** Frames of over 50 ms while something is scrolled by as many pixels a frame, 200 times. */
const slowFrames = (page: Page, selector: string | null, by: number) =>
    page.evaluate(
        async ([at, step]) => {
            let box = document.querySelector<HTMLElement>(String(at))
            const empty = document.createElement('div')
            if (!box) {
                empty.style.cssText = 'height: 500px; overflow: auto'
                empty.innerHTML = '<div style="height: 900000px"></div>'
                document.body.append(empty)
                box = empty
            }
            let [slow, last] = [0, performance.now()]
            for (let frame = 0; frame < 200; frame++) {
                box.scrollTop += Number(step)
                await new Promise(requestAnimationFrame)
                if (performance.now() - last > 50) slow++
                last = performance.now()
            }
            empty.remove()
            return slow
        },
        [selector ?? 'none', by] as const,
    )

/** From a key in the text editor until its letter is painted, in milliseconds. */
async function echo(page: Page): Promise<number> {
    await page.evaluate(() => {
        const state = window as unknown as { echo: number }
        state.echo = 0
        document.querySelector('.cm-content')!.addEventListener(
            'keydown',
            () => {
                const begun = performance.now()
                requestAnimationFrame(() => requestAnimationFrame(() => (state.echo = performance.now() - begun)))
            },
            { once: true },
        )
    })
    await page.keyboard.type('x')
    await page.waitForFunction(() => (window as unknown as { echo: number }).echo > 0)
    return page.evaluate(() => (window as unknown as { echo: number }).echo)
}

test('pages', async ({ page }) => {
    const id = await largePack(page.request)
    await page.goto(`/packs/${id}/gather`, { waitUntil: 'networkidle' })
    const lines = [`| ${number} pictures and as many entries | ms | elements |`, '|---|---:|---:|']
    const stops = ['Shape', 'Define', 'Prove', 'Release', 'Gather']
    for (const stop of stops) await goTo(page, stop)
    for (const stop of stops) {
        const times = []
        for (let round = 0; round < 5; round++) {
            await goTo(page, stop === 'Gather' ? 'Shape' : 'Gather')
            times.push(await goTo(page, stop))
        }
        const elements = await page.evaluate(() => document.querySelectorAll('*').length)
        lines.push(`| ${stop} | ${middle(times).toFixed(0)} | ${elements} |`)
    }
    await goTo(page, 'Define')
    await page.locator(`${marks.Define}`).nth(3).click()
    await page.getByRole('tab', { name: 'Text', exact: true }).click()
    await page.locator('.cm-content').click()
    const keys = []
    for (let key = 0; key < 15; key++) keys.push(await echo(page))
    lines.push(`| a key in the text editor | ${middle(keys).toFixed(0)} | |`)

    await page.goto(`/packs/${id}/gather`, { waitUntil: 'networkidle' })
    const list = await slowFrames(page, '[aria-label="Files"]', 60)
    const empty = await slowFrames(page, null, 60)
    lines.push('', `Frames of over 50 ms in 200 of scrolling: ${list} in Gather, ${empty} in an empty list.`)
    console.log(lines.join('\n'))
})
