import type { Page } from '@playwright/test'
import { largePack, number } from './large-pack'
import { expect, test } from './test'

const elements = (page: Page) => page.evaluate(() => document.querySelectorAll('*').length)

test('in a pack of 5,000 pictures each stop draws what is in view, and finds the rest', async ({ page }) => {
    const id = await largePack(page.request)
    await page.goto(`/packs/${id}/gather`)
    await expect(page.locator('[data-path]').first()).toBeVisible()
    expect(await elements(page)).toBeLessThan(2000)

    await page.getByRole('link', { name: /^Shape/ }).click()
    const line = page.getByRole('navigation', { name: 'Pictures and sounds of the pack' })
    await expect(line.getByRole('button').first()).toBeVisible()
    expect(await elements(page)).toBeLessThan(2000)
    await page.keyboard.press('/')
    await page.keyboard.type('saltbrook 4321')
    await expect(line.getByRole('button')).toHaveCount(1)
    await line.getByRole('button').click()
    await expect(page.getByRole('heading', { name: /Saltbrook 4321/ })).toBeVisible()
    await page.getByRole('searchbox').fill('')
    await expect(line.getByRole('button', { name: /Saltbrook 4321/ })).toHaveAttribute('aria-current', 'true')
    await line.getByRole('button', { name: /Saltbrook 4321/ }).focus()
    await page.keyboard.press('ArrowRight')
    await expect(page.getByRole('heading', { name: /Saltbrook 4322/ })).toBeVisible()

    await page.getByRole('link', { name: /^Define/ }).click()
    const list = page.getByRole('navigation', { name: 'Entries of the pack' })
    await expect(list.getByRole('button').first()).toBeVisible()
    expect(await elements(page)).toBeLessThan(2000)
    await page.getByLabel('With findings only').check()
    await expect(list.getByText(`Surface · ${number / 100}`)).toBeVisible()
    await page.reload()
    await expect(page.getByLabel('With findings only')).toBeChecked()
    await page.getByRole('searchbox').fill('4307')
    await list.getByRole('button').first().click()
    await expect(page.getByRole('heading', { name: /Saltbrook 4307/ })).toBeVisible()
    await page.getByRole('searchbox').fill('nothing is called so')
    await expect(page.getByText('Nothing has this.')).toBeVisible()
    await page.getByRole('button', { name: 'Show all' }).click()

    await page.getByRole('link', { name: /^Release/ }).click()
    await expect(page.getByRole('heading', { name: 'In the first release' })).toBeVisible()
    expect(await elements(page)).toBeLessThan(3000)
    await page.getByRole('button', { name: 'Show more' }).click()
    await expect(page.getByText(/more files\./)).toBeVisible()
})
