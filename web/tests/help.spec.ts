import { demoPack } from './pages'
import { expect, test } from './test'

test('help opens by key at a finding, is searched, and gives the focus back', async ({ page }) => {
    await page.goto(`/packs/${await demoPack(page, 'Tidepool Glazes')}/prove`)
    const explain = page.getByTestId('explain').first()
    const code = await page.locator('[data-test="finding"]').first().getAttribute('data-code')
    await explain.focus()
    await page.keyboard.press('F1')
    const help = page.getByTestId('help')
    await expect(help.getByRole('heading', { name: code! })).toBeVisible()
    await expect(help.getByTestId('help-page')).toContainText('In the host:')
    await help.getByTestId('help-search').fill('clear corners')
    await page.keyboard.press('Enter')
    await expect(help.getByTestId('help-page')).toContainText('clear corners')
    await page.keyboard.press('Escape')
    await expect(help).toHaveCount(0)
    await expect(explain).toBeFocused()
    // By mouse, and to the words.
    await explain.click()
    await expect(help.getByRole('heading', { name: code! })).toBeVisible()
    await help.getByRole('button', { name: 'All of help' }).click()
    await help.getByRole('button', { name: 'waiver', exact: true }).click()
    await expect(help.getByTestId('help-page')).toContainText('leave it')
    await help.getByRole('button', { name: 'Close' }).click()
    await expect(help).toHaveCount(0)
})

test('help is there from each page, without a network', async ({ page, context }) => {
    await page.goto('/')
    await page.getByRole('button', { name: 'Help' }).click()
    await expect(page.getByTestId('help-page')).toContainText('New pack')
    await page.keyboard.press('Escape')
    await context.setOffline(true)
    await page.keyboard.press('F1')
    await page.getByTestId('help-search').fill('prefix')
    await expect(page.getByTestId('help').getByRole('button', { name: 'prefix', exact: true })).toBeVisible()
    await context.setOffline(false)
})
