import { newPack } from './pages'
import { expect, test } from './test'

test('a pack goes into the bin at a press and comes back whole; other pages are told', async ({ page, context }) => {
    const id = await newPack(page, 'Short lived')
    const other = await context.newPage()
    await other.goto(`/packs/${id}/gather`)
    await expect(other.getByRole('heading', { name: 'Short lived' })).toBeVisible()

    await page.goto('/packs')
    const row = page.locator('[data-pack]', { hasText: 'Short lived' })
    // The newest is the first.
    await expect(page.locator('[data-pack]').first()).toContainText('Short lived')
    await row.getByRole('button', { name: 'Put Short lived into the bin' }).click()
    await expect(row).toHaveCount(0)
    await expect(page.getByText('Short lived is in the bin, for 30 days.')).toBeVisible()
    // The focus is in the list, on the row that follows.
    await expect(page.locator('[data-pack] a').first()).toBeFocused()

    await expect(other.getByRole('main')).toContainText('is in the bin')
    await expect(other.getByRole('main')).toHaveCount(1)
    await other.getByRole('link', { name: 'To all packs' }).click()
    await other.locator('[data-test="bin"] summary').click()
    const binned = other.locator('[data-test="binned"]', { hasText: 'Short lived' })
    await expect(binned).toContainText('goes for good on')
    await binned.getByRole('button', { name: 'Restore' }).press('Enter')
    await expect(other.locator('[data-pack]', { hasText: 'Short lived' })).toBeVisible()
    await expect(row).toBeVisible()
})
