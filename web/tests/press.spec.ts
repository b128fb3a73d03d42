import { demo } from './server'
import { readFileSync } from 'node:fs'
import { demoPack, drop, newPack } from './pages'
import { expect, test } from './test'

const section = 'Section of the pack'

test('a column filters every stop, says so, and is left again', async ({ page }) => {
    const id = await demoPack(page, 'Tidepool Glazes')
    await page.goto(`/packs/${id}/define`)
    const strip = page.getByRole('group', { name: section })
    const entries = page.getByRole('navigation', { name: 'Entries of the pack' }).getByRole('button', { name: /./ })
    await expect(entries.first()).toBeVisible()
    const all = await entries.count()
    await strip.getByRole('button', { name: /^Glazes:/ }).click()
    await expect(page.getByText('Glazes only')).toBeVisible()
    expect(await entries.count()).toBeLessThan(all)

    await page.getByRole('link', { name: /^Release/ }).click()
    const changes = page.getByRole('region', { name: 'Changes' })
    await expect(changes).toContainText('Glazes only')
    await expect(changes.getByText('skin.png')).toHaveCount(0)
    await changes.getByRole('button', { name: 'All places' }).click()
    await expect(changes.getByText('skin.png').first()).toBeVisible()
})

test('a column in which the pack has nothing shows the base’s files', async ({ page }) => {
    const id = await demoPack(page, 'Winter Market')
    await page.goto(`/packs/${id}/gather`)
    await page
        .getByRole('group', { name: section })
        .getByRole('button', { name: /^Skins:/ })
        .click()
    await expect(page.locator('[data-path="wares/tea_cup/skin.png"]')).toBeVisible()
})

test('the strip is one stop of the Tab key, walked by arrows; a link skips it', async ({ page }) => {
    const id = await demoPack(page, 'Tidepool Glazes')
    await page.goto(`/packs/${id}/gather`)
    const columns = page.getByRole('group', { name: section }).getByRole('button')
    await expect(columns.first()).toBeVisible()
    await expect(page.locator(`[aria-label="${section}"] button[tabindex="0"]`)).toHaveCount(1)
    await columns.first().focus()
    await page.keyboard.press('ArrowRight')
    await expect(columns.nth(1)).toBeFocused()
    await page.keyboard.press('End')
    await expect(columns.last()).toBeFocused()
    await page.keyboard.press('ArrowRight')
    await expect(columns.last()).toBeFocused()
    await page.keyboard.press('Home')
    await page.keyboard.press('Enter')
    await expect(columns.first()).toHaveAttribute('aria-pressed', 'true')
    await page.keyboard.press('Tab')
    await expect(page.locator('[data-test="places"]')).toBeFocused()

    await page.reload()
    await expect(columns.first()).toBeVisible()
    await page.keyboard.press('Tab')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('main')).toBeFocused()
})

test('a key goes to the tray', async ({ page }) => {
    await newPack(page, 'To the tray')
    await drop(page, [
        { name: 'setts_dark.png', bytes: readFileSync(`${demo}/base/kilnmoor/4.0/art/surfaces/setts_dark.png`) },
    ])
    await expect(page.locator('[data-test="tray-row"]')).toHaveCount(1)
    await page.keyboard.press('t')
    await expect(page.getByRole('button', { name: /Tray/ })).toBeFocused()
    await page.keyboard.press('Tab')
    await page.keyboard.press('Tab')
    await expect(page.locator('[data-test="place-sure"]')).toBeFocused()
})

test('files of no use are named in the tray', async ({ page }) => {
    await newPack(page, 'Of no use')
    await drop(page, [
        { name: 'Thumbs.db', bytes: 'thumbs' },
        { name: 'setts_dark.png', bytes: '' },
        {
            name: 'setts_pale.png',
            bytes: readFileSync(`${demo}/base/kilnmoor/4.0/art/surfaces/setts_pale.png`).subarray(0, 400),
        },
    ])
    const row = (name: string) => page.locator('[data-test="tray-row"]', { hasText: name })
    await expect(row('Thumbs.db')).toContainText('operating system')
    await expect(row('setts_dark.png')).toContainText('It is empty')
    await row('setts_pale.png').locator('[data-test="target"]').selectOption('art/surfaces/setts_pale.png')
    await expect(row('setts_pale.png')).toContainText('cannot be read')
})

test('an unknown address has a heading and leads to the packs', async ({ page }) => {
    await page.goto('/nowhere/at/all')
    await expect(page.getByRole('main').getByRole('heading')).toHaveText('There is nothing at this address')
    await page.getByRole('link', { name: 'See all packs' }).click()
    await expect(page.getByRole('button', { name: 'New pack', exact: true })).toBeVisible()
})
