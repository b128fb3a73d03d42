import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { demo } from './server'
import { demoPack, drop, findings, newPack } from './pages'
import { expect, test } from './test'

const base = (path: string) => readFileSync(`${demo}/base/kilnmoor/4.0/${path}`)
const surfaces = ['sand_dry', 'setts_dark', 'setts_pale'].map((name) => `art/surfaces/${name}.png`)
const row = (page: Page, path: string) => page.locator(`[data-path="${path}"]`)
const selection = (page: Page) => page.locator('[data-test="selection"]')

/** A pack with three surfaces, which are not the base's, in Gather. */
async function withSurfaces(page: Page, title: string, picture = 'art/surfaces/clay_raked.png') {
    const id = await newPack(page, title)
    for (const path of surfaces) await page.request.put(`/api/packs/${id}/file?path=${path}`, { data: base(picture) })
    await page.goto(`/packs/${id}/gather`)
    await expect(row(page, surfaces[2]!)).toBeVisible()
    return id
}

const blank = { position: { x: 420, y: 8 } }

test('rows are selected by mouse and taken out as one change', async ({ page }) => {
    await withSurfaces(page, 'Selected by mouse')
    await row(page, surfaces[0]!).click({ ...blank, modifiers: ['Control'] })
    await row(page, surfaces[2]!).click({ ...blank, modifiers: ['Shift'] })
    await expect(selection(page)).toContainText('3 rows selected')
    await row(page, surfaces[1]!).click({ ...blank, modifiers: ['Control'] })
    await expect(selection(page)).toContainText('2 rows selected')
    await selection(page).getByRole('button', { name: 'Take 2 files out' }).click()
    await expect(row(page, surfaces[0]!)).toHaveCount(0)
    await expect(row(page, surfaces[1]!)).toBeVisible()
    await expect(selection(page)).toHaveCount(0)
    await page.keyboard.press('Control+z')
    await expect(row(page, surfaces[0]!)).toBeVisible()
    await expect(row(page, surfaces[2]!)).toBeVisible()
})

test('rows are selected by keys, shaped alike, and let go with Esc', async ({ page }) => {
    await withSurfaces(page, 'Selected by keys')
    await page.keyboard.press('ArrowDown')
    await expect(row(page, 'firing.json')).toBeFocused()
    await page.keyboard.press('ArrowDown')
    await expect(row(page, surfaces[0]!)).toBeFocused()
    await page.keyboard.press(' ')
    await page.keyboard.press('Shift+ArrowDown')
    await expect(selection(page)).toContainText('2 rows selected')
    // It stays while another stop is looked at.
    await page.getByRole('link', { name: /^Release/ }).click()
    await expect(page).toHaveURL(/release/)
    await page.goBack()
    await expect(selection(page)).toContainText('2 rows selected')
    await page.keyboard.press('Escape')
    await expect(selection(page)).toHaveCount(0)
    await page.keyboard.press('Control+a')
    await expect(selection(page)).toContainText('4 rows selected')
    await selection(page).getByRole('button', { name: 'Shape 3 pictures' }).click()
    await page.getByRole('menuitem', { name: 'Make it grey' }).click()
    await expect(page.getByText('Make it grey: done for 3 pictures.')).toBeVisible()
})

test('findings of several rows are waived with one reason, and what is typed runs no keys', async ({ page }) => {
    const id = await withSurfaces(page, 'Waived together', 'wares/tea_cup/shelf.png')
    expect((await findings(page, id)).blocker).toBeGreaterThan(2)
    await page.goto(`/packs/${id}/prove`)
    await expect(row(page, surfaces[0]!)).toBeVisible()
    await page.keyboard.press('Control+a')
    await selection(page)
        .getByRole('button', { name: /^Waive / })
        .click()
    await page.keyboard.type('the grass is drawn so')
    await page.keyboard.press('Escape')
    const waive = selection(page).getByRole('button', { name: /^Waive / })
    await expect(waive).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(page.getByPlaceholder('Why may it stay?')).toHaveValue('the grass is drawn so')
    await page.keyboard.press('Enter')
    await expect(page.locator('[data-test="prove-counts"]')).toContainText('nothing found')
    expect((await findings(page, id)).blocker).toBe(0)
})

test('fixes of several rows are applied as one change', async ({ page }) => {
    const id = await withSurfaces(page, 'Mended together', 'wares/tea_cup/shelf.png')
    const before = (await findings(page, id)).blocker
    await page.keyboard.press('Control+a')
    await selection(page)
        .getByRole('button', { name: /^Make / })
        .click()
    await expect(page.getByText(/\d+ fix(es)? applied, \d+ files? changed\./)).toBeVisible()
    expect((await findings(page, id)).blocker).toBeLessThan(before)
    await page.keyboard.press('Control+z')
    await expect(page.getByText('Undone.')).toBeVisible()
    expect((await findings(page, id)).blocker).toBe(before)
})

test('files of the base are brought together', async ({ page }) => {
    const id = await newPack(page, 'Brought together')
    await page.goto(`/packs/${id}/gather?words=setts&state=base`)
    await row(page, surfaces[2]!).click({ ...blank, modifiers: ['Control'] })
    await row(page, surfaces[1]!).click({ ...blank, modifiers: ['Control'] })
    await selection(page).getByRole('button', { name: 'Bring 2 files' }).click()
    await expect(page.getByText('Brought 2 files.')).toBeVisible()
    await expect(row(page, surfaces[1]!)).toHaveCount(0)
})

for (const way of ['Esc', 'the browser'])
    test(`${way} leads back to the row, the scroll, the search and the filter that were left`, async ({ page }) => {
        const id = await demoPack(page, 'Winter Market')
        await page.goto(`/packs/${id}/gather?state=all&words=skin`)
        const list = page.getByRole('region', { name: 'Files' })
        await expect(page.locator('[data-path$="skin.png"]').first()).toBeVisible()
        await list.evaluate((box) => (box.scrollTop = 1500))
        const target = page.locator('[data-path$="skin.png"]').nth(6)
        const path = (await target.getAttribute('data-path'))!
        await target.focus()
        const top = await list.evaluate((box) => box.scrollTop)
        await page.keyboard.press('Enter')
        await expect(page).toHaveURL(/shape/)
        await page.keyboard.press('ArrowDown')
        if (way === 'Esc') {
            await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible()
            await page.keyboard.press('Escape')
        } else await page.goBack()
        await expect(page).toHaveURL(/words=skin/)
        await expect(row(page, path)).toBeFocused()
        expect(Math.abs((await list.evaluate((box) => box.scrollTop)) - top)).toBeLessThan(20)
    })

test('a stop that is gone to has the focus, and a row that goes leaves it to the one that follows', async ({
    page,
}) => {
    const id = await withSurfaces(page, 'Focus', 'art/surfaces/clay_raked.png')
    await page.getByRole('link', { name: /^Release/ }).click()
    await expect(page.getByRole('main')).toBeFocused()
    await page.goto(`/packs/${id}/gather`)
    await row(page, surfaces[1]!).focus()
    await row(page, surfaces[1]!)
        .getByRole('button', { name: /^More for/ })
        .focus()
    await page.keyboard.press('Enter')
    await page.getByRole('menuitem', { name: 'Take out' }).press('Enter')
    await expect(row(page, surfaces[1]!)).toHaveCount(0)
    await expect(row(page, surfaces[2]!)).toBeFocused()
})

test('after the last fix the keys still act', async ({ page }) => {
    const id = await newPack(page, 'Last fix')
    await page.request.put(`/api/packs/${id}/file?path=${surfaces[0]}`, {
        data: readFileSync(`${demo}/packs/tidepool/art/surfaces/sand_rippled.png`),
    })
    await page.goto(`/packs/${id}/prove`)
    await page.locator('[data-test="fix"]').first().focus()
    await page.keyboard.press('Enter')
    await expect(page.locator('[data-test="prove-counts"]')).toContainText('nothing found')
    await page.keyboard.press('5')
    await expect(page).toHaveURL(/release/)
})

test('a key swaps the picture that is pointed at, and a click on it opens it', async ({ page }) => {
    await withSurfaces(page, 'Pointed at')
    const picture = row(page, surfaces[1]!).getByRole('img').first()
    const before = await row(page, surfaces[1]!).locator('img').last().getAttribute('src')
    await picture.hover()
    await page.keyboard.press('x')
    await expect(row(page, surfaces[1]!).locator('img').last()).not.toHaveAttribute('src', before!)
    await picture.click()
    await expect(page).toHaveURL(/shape.*setts_dark/)
})

test('a filter of Prove stays on while nothing is left of it', async ({ page }) => {
    const id = await withSurfaces(page, 'Filtered', 'wares/tea_cup/shelf.png')
    await page.goto(`/packs/${id}/prove?severity=blocker`)
    const filter = page.getByRole('main').getByRole('button', { name: /blocker/ })
    await expect(filter).toHaveAttribute('aria-pressed', 'true')
    for (const path of surfaces)
        await page.request.put(`/api/packs/${id}/file?path=${path}`, { data: base('art/surfaces/clay_raked.png') })
    await expect(page.getByText('Nothing found here')).toBeVisible()
    await filter.click()
    await expect(page).not.toHaveURL(/severity/)
})

test('the trial speaks as the findings do, shows both pictures, and leads to the finding and back', async ({
    page,
}) => {
    const id = await demoPack(page, 'Tidepool Glazes')
    await page.goto(`/packs/${id}/prove?look=trial`)
    await page.locator('[data-test="run-trial"]').click()
    const wrong = page.locator('[data-test="wrong"]')
    await expect(wrong.first()).toBeVisible({ timeout: 60_000 })
    const text = (await wrong.allTextContents()).join('\n')
    expect(text).not.toMatch(/dropped|unlit|\bas: /)
    for (const says of await wrong.allTextContents()) expect(says.length).toBeGreaterThan(60)
    const lamp = wrong.filter({ hasText: 'art/awnings/quay/lamp.png' })
    await expect(lamp).toContainText('go on showing its own')
    await expect(lamp.locator('figure').nth(1).locator('img')).toHaveAttribute('src', /\/base\/file/)
    await lamp.getByRole('link', { name: 'To the finding' }).click()
    await expect(page.locator('[data-test="finding"]')).toHaveCount(1)
    await page.goBack()
    await expect(lamp).toBeVisible()
    await expect(lamp.getByRole('link', { name: 'To the finding' })).toBeFocused()
})

test('half-changed things show what is missing, and one reason waives them all', async ({ page }) => {
    const id = await newPack(page, 'Half changed')
    for (const ware of ['tea_cup', 'oil_jar'])
        await page.request.put(`/api/packs/${id}/file?path=wares/${ware}/shelf.png`, {
            data: base('wares/water_jug/shelf.png'),
        })
    await page.goto(`/packs/${id}/prove`)
    const half = page.locator('[data-code="thing/half-changed"]')
    await expect(half).toHaveCount(2)
    await expect(half.first().locator('[data-test="half-changed"] img')).toHaveCount(3)
    await expect(half.first().locator('[data-test="fix"]')).toContainText('Bring')
    await half.first().locator('[data-test="waive"]').click()
    await half.first().getByLabel('and the 1 others like it').check()
    await half.first().getByPlaceholder('Why may it stay?').fill('Only the shelf is new')
    await half.first().getByRole('button', { name: 'Waive', exact: true }).click()
    await expect(page.getByText('2 waived.')).toBeVisible()
})

test('a package that says its host is opened without a question, another is asked about once', async ({ page }) => {
    const id = await withSurfaces(page, 'To be opened')
    const built = await page.request.get(`/api/packs/${id}/file?path=firing.json`)
    await page.goto('/packs')
    await drop(page, [{ name: 'firing.json', bytes: await built.body() }])
    await expect(page).toHaveURL(/prove/)
    await page.goto('/packs')
    await drop(page, [{ name: 'notes.txt', bytes: 'hello' }])
    const dialog = page.getByRole('dialog', { name: 'For which host is it?' })
    await dialog.getByRole('button', { name: 'Not now' }).click()
    await expect(dialog).toHaveCount(0)
    await drop(page, [{ name: 'notes.txt', bytes: 'hello' }])
    await dialog.getByRole('button', { name: 'Kilnmoor' }).click()
    await expect(page).toHaveURL(/prove/)
})
