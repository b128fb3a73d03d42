import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { demoPack, drop, newPack } from './pages'
import { demo } from './server'
import { session } from './session'
import { expect, test } from './test'

const views = [
    'packs',
    'hosts',
    'gather?state=all',
    'shape',
    'define',
    'define?tab=text',
    'prove',
    'define?view=texts',
    'define?view=economy&goods=all&good=wares:moor.water_jug',
    'define?path=entries/towers/quay.json',
    'define?path=entries/plans/quay.json',
    'define?path=entries/glazes/tide.json',
    'define?path=wares/oil_jar/ware.json',
    'define?path=entries/recipes/tea_cup.json',
    'define?path=tables/seals.csv',
    'define?view=script',
    'shape?path=audio/ambience/quay_water.wav',
    'prove?look=trial',
    'release',
]

/** Views, dialogs and menus that are opened by a press. */
const opened: Record<string, (page: Page, id: string) => Promise<void>> = {
    'the dialog of a new pack': async (page) => {
        await page.goto('/packs')
        await page.getByRole('button', { name: 'New pack', exact: true }).click()
    },
    'the question for the host': async (page) => {
        await page.goto('/packs')
        await drop(page, [{ name: 'notes.txt', bytes: 'x' }])
        await expect(page.getByText('For which host is it?')).toBeVisible()
    },
    'an unknown address': async (page) => {
        await page.goto('/nowhere/at/all')
    },
    keys: async (page, id) => {
        await page.goto(`/packs/${id}/gather`)
        await page.getByRole('button', { name: 'Keys', exact: true }).click()
    },
    'the menu of places': async (page, id) => {
        await page.goto(`/packs/${id}/gather`)
        await page.locator('[data-test="places"]').click()
    },
    'the menu of a row': async (page, id) => {
        await page.goto(`/packs/${id}/gather`)
        await page
            .getByRole('button', { name: /^More for/ })
            .first()
            .click()
    },
    renaming: async (page, id) => {
        await page.goto(`/packs/${id}/gather`)
        await page
            .getByRole('button', { name: /^More for/ })
            .first()
            .click()
        await page.getByRole('menuitem', { name: 'Rename' }).click()
    },
    'a selection with its steps': async (page, id) => {
        await page.goto(`/packs/${id}/gather?place=surfaces`)
        await expect(page.locator('[data-path]').first()).toBeVisible()
        await page.keyboard.press('Control+a')
        await page.getByRole('button', { name: /^Shape / }).click()
    },
    'waiving several': async (page, id) => {
        await page.goto(`/packs/${id}/prove`)
        await expect(page.locator('[data-path]').first()).toBeVisible()
        await page.keyboard.press('Control+a')
        await page.getByRole('button', { name: /^Waive \d/ }).click()
    },
    'waiving one of several alike': async (page, id) => {
        await page.goto(`/packs/${id}/prove?finding=thing/half-changed`)
        await page.locator('[data-test="waive"]').first().click()
    },
    'the steps of a picture': async (page, id) => {
        await page.goto(`/packs/${id}/shape?path=art/surfaces/sand_rippled.png`)
        await page.locator('[data-test="add-step"]').click()
    },
    'a trial that was made': async (page, id) => {
        await page.goto(`/packs/${id}/prove?look=trial`)
        await page.locator('[data-test="run-trial"]').click()
        await expect(page.locator('[data-test="wrong"]').first()).toBeVisible({ timeout: 60_000 })
    },
    'a full tray': async (page) => {
        await newPack(page, `Tray ${Date.now()}`)
        const picture = readFileSync(`${demo}/base/kilnmoor/4.0/art/surfaces/setts_dark.png`)
        await drop(page, [
            ...['setts_dark.png', 'setts_dark_final.png', 'sand_dry.png', 'mine.png'].map((name) => ({
                name,
                bytes: picture,
            })),
            ...['Thumbs.db', 'notes.txt'].map((name) => ({ name, bytes: 'x' })),
        ])
        await expect(page.locator('[data-test="tray-row"]').first()).toBeVisible()
    },
    'a new entry that is made of none': async (page, id) => {
        await page.goto(`/packs/${id}/define`)
        await page.locator('[data-test="new-entry"]').click()
        await page.locator('[data-test="new-place"]').selectOption('wares')
        await page.locator('[data-test="name"]').fill('reed_bowl')
        await expect(page.locator('[data-test="plan"]')).toBeVisible()
    },
    'the recorder': async (page, id) => {
        await page.goto(`/packs/${id}/define?view=script`)
        await page
            .getByRole('button', { name: /^Record / })
            .first()
            .click()
        await expect(page.getByRole('dialog').getByRole('heading')).toBeVisible()
    },
    'a recording that is split': async (page) => {
        await newPack(page, `Evening ${Date.now()}`)
        await drop(page, [{ name: 'evening.wav', bytes: session([220, 330, 520]) }])
        await page.locator('[data-test="open-split"]').click()
        await expect(page.locator('[data-test="part"]').first()).toBeVisible()
    },
    'the bin': async (page) => {
        const id = await newPack(page, `Away ${Date.now()}`)
        await page.request.delete(`/api/packs/${id}`)
        await page.goto('/packs')
        await expect(page.getByText(/in the bin|Bin/).first()).toBeVisible()
    },
}

// Each of them alone is longer than most files.
test.describe.configure({ mode: 'parallel' })
test.beforeEach(({ page }) => page.emulateMedia({ reducedMotion: 'reduce' }))

test('nothing serious is wrong with any view', async ({ page }) => {
    test.setTimeout(300_000)
    const id = await demoPack(page, 'Tidepool Glazes')
    for (const view of views) {
        await page.goto(view === 'packs' || view === 'hosts' ? `/${view}` : `/packs/${id}/${view}`)
        await expect(page.getByRole('heading').first()).toBeVisible()
        await expect(page.getByText('Fetching …')).toHaveCount(0)
        expect.soft(await faults(page, view)).toEqual([])
    }
})

test('nothing serious is wrong with dialogs and menus', async ({ page }) => {
    test.setTimeout(300_000)
    const id = await demoPack(page, 'Tidepool Glazes')
    for (const [what, open] of Object.entries(opened)) {
        await open(page, id)
        // What lies behind is a view that was looked at above.
        const within = '[role="dialog"], [role="menu"]'
        const isWithin = (await page.locator(within).filter({ visible: true }).count()) > 0
        expect.soft(await faults(page, what, isWithin ? within : undefined)).toEqual([])
    }
})

/** What breaks WCAG 2.2 AA, as far as a program can tell: all of it in light; in dark the colours, which are all that it has of its own. */
async function faults(page: Page, where: string, within?: string): Promise<string[]> {
    const found: string[] = []
    for (const theme of ['light', 'dark'] as const) {
        await page.emulateMedia({ colorScheme: theme })
        await expect(page.locator('html')).toHaveAttribute('data-theme', theme)
        // There are no frames, for which alone the other mode opens a page of its own.
        const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] })
        if (within) axe.include(within)
        const { violations } = await (
            theme === 'dark'
                ? axe.withRules('color-contrast')
                : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
        ).analyze()
        found.push(
            ...violations.map(
                (v) =>
                    `${where}, ${theme}, ${v.id}: ${v.nodes
                        .map((n) => n.target.join(' '))
                        .slice(0, 4)
                        .join(' | ')}`,
            ),
        )
    }
    return found
}
