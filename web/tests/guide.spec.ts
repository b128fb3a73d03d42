import { execFileSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import type { Download, Locator, Page } from '@playwright/test'
import { readCommands, readGuide, type Act } from './guide'
import { demo, OwnServer } from './server'
import { expect, test } from './test'

const root = fileURLToPath(new URL('../..', import.meta.url))
const guide = `${root}docs/guide.md`

/** What can be pressed and is called so; a stop by its first word, the others by all of theirs. */
function pressable(page: Page, words: string): Locator {
    const name = new RegExp(`^${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?!\\w)`, 'i')
    return page
        .getByRole('menuitem', { name })
        .or(page.getByRole('button', { name }))
        .or(page.getByRole('link', { name }))
        .filter({ visible: true })
        .first()
}

/** A stop that was gone to is there before one goes on. */
async function arrive(target: Locator) {
    const isStop = await target
        .evaluate((element) => element.closest('nav[aria-label="Stops"]') !== null, null, { timeout: 1000 })
        .catch(() => false)
    if (isStop) await expect(target).toHaveAttribute('aria-current', 'page')
}

/** A reader's hand. */
interface Hand {
    press: (page: Page, target: Locator) => Promise<void>
    goTo: (page: Page, field: Locator) => Promise<void>
}

const mouse: Hand = {
    press: async (_, target) => {
        await target.click()
        await arrive(target)
    },
    goTo: (_, field) => field.click(),
}

/** Goes on with the Tab key until the target has the focus; into the tray by its key. */
async function tabTo(page: Page, target: Locator) {
    await expect(target).toBeVisible()
    if (await target.evaluate((element) => element.closest('[data-test="tray"]') !== null))
        await page.keyboard.press('t')
    for (let pressed = 0; pressed < 400; pressed++) {
        if (await target.evaluate((element) => element === document.activeElement)) return
        // In an open menu the arrows go from item to item.
        const isInMenu = await page.evaluate(() => document.activeElement?.getAttribute('role') === 'menu')
        if (
            isInMenu &&
            (await target.evaluate((element) => element.closest('[data-headlessui-state~="active"]') !== null))
        )
            return
        await page.keyboard.press(isInMenu ? 'ArrowDown' : 'Tab')
    }
    const at = await page.evaluate(() => document.activeElement?.outerHTML.slice(0, 200))
    throw new Error(`The Tab key does not come to ${target}; it is at ${at}.`)
}

const keys: Hand = {
    press: async (page, target) => {
        await tabTo(page, target)
        await page.keyboard.press('Enter')
        await arrive(target)
    },
    goTo: tabTo,
}

/** Carries out one act of the guide; what is downloaded by it, if anything. */
async function carryOut(page: Page, act: Act, hand: Hand): Promise<Download | null> {
    switch (act.do) {
        case 'press': {
            const target = pressable(page, act.words)
            const [download] = await Promise.all([
                act.words.startsWith('Download') ? page.waitForEvent('download') : null,
                hand.press(page, target),
            ])
            return download
        }
        case 'fill':
            await hand.goTo(page, page.getByRole('textbox', { name: act.label }))
            await page.keyboard.press('Control+a')
            await page.keyboard.type(act.text)
            return null
        case 'search':
            await hand.goTo(page, page.locator('[data-search]'))
            await page.keyboard.press('Control+a')
            await page.keyboard.type(act.text)
            return null
        case 'folder': {
            const [chooser] = await Promise.all([
                page.waitForEvent('filechooser'),
                hand.press(page, pressable(page, act.press)),
            ])
            await chooser.setFiles(act.path.replace('/tmp/demo', demo))
            return null
        }
        case 'row-menu':
            await hand.press(page, page.getByRole('button', { name: `More for ${act.path}` }))
            return null
    }
}

for (const [way, hand] of Object.entries({ mouse, keys }))
    test(`the guide is followed word for word, by ${way} alone, to a package that the host loads`, async ({ page }) => {
        const server = await OwnServer.with(`guide_${way}`)
        await server.start()
        try {
            await page.goto(`${server.url}/packs`)
            let download: Download | null = null
            for (const { number, text, acts } of readGuide(guide))
                await test.step(`${number}. ${text}`, async () => {
                    expect(acts.length, `step ${number} asks for something`).toBeGreaterThan(0)
                    for (const act of acts) {
                        download = (await carryOut(page, act, hand)) ?? download
                        await expect(page.locator('[data-test="message"][role="alert"]')).toHaveCount(0)
                    }
                })
            const file = await download!.path()
            const name = download!.suggestedFilename()
            expect(name).toBe('tide_wares-1.0.0.kilnmoor')
            const package_ = `${root}.test/${way}/${name}`
            await download!.saveAs(package_)
            expect(file).toBeTruthy()
            for (const command of readCommands(guide, 'The same from a terminal')) {
                const [program, ...args] = command.replace(/~\/Downloads\/\S+/, package_).split(' ')
                // Both end with 0 only where no blocker is left and all is right.
                execFileSync(program!, args, { cwd: root })
            }
        } finally {
            await server.kill()
        }
    })
