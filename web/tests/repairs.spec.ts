import { type Page } from '@playwright/test'
import { findings, newPack, tryPack } from './pages'
import { png } from './png'
import { expect, test } from './test'

/** Puts a file into a pack, as it comes in a package that somebody else made. */
async function put(page: Page, id: string, path: string, bytes: Buffer | string): Promise<void> {
    const sent = await page.request.put(`/api/packs/${id}/file?path=${encodeURIComponent(path)}`, {
        data: Buffer.from(bytes),
        headers: { 'Content-Type': 'application/octet-stream' },
    })
    expect(sent.ok()).toBe(true)
}

/** A ball on a ground, all solid. */
const ballOnBlack = (side: number) =>
    png(side, side, (x, y) =>
        Math.hypot(x - side / 2, y - side / 2) < side / 3 ? [170, 120 + (x % 20), 60] : [0, 0, 0],
    )

test('a press that would not do alone says why, shows what holds with it, and makes all as one change', async ({
    page,
}) => {
    const id = await newPack(page, `Awnings ${Date.now()}`)
    await put(
        page,
        id,
        'art/awning/bridge/noon.png',
        png(300, 140, (x, y) => [x % 256, y, 90]),
    )
    await page.goto(`/packs/${id}/prove`)
    await page.getByRole('button', { name: /^Rename to art\/awnings\/bridge\/noon.png/ }).click()
    const dialog = page.getByRole('dialog', { name: 'These hold only together' })
    const asks = dialog.getByRole('heading')
    await expect(dialog.locator('[data-test="together"] li').first()).toContainText('Rename to')
    await expect(dialog.locator('[data-test="together"]')).toContainText('Fit to 150 x 60')
    // Left alone, nothing was changed.
    await page.keyboard.press('Escape')
    await expect(asks).toBeHidden()
    await expect(page.getByText('was held back')).toBeVisible()

    await page.getByRole('button', { name: /^Rename to art\/awnings/ }).click()
    await dialog.locator('[data-test="make-together"]').click()
    await expect(asks).toBeHidden()
    expect((await findings(page, id)).blocker).toBe(0)
    // One undo takes all of it back.
    await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
    await expect(page.getByRole('button', { name: /^Rename to art\/awnings/ })).toBeVisible()
})

test('a subject on a solid ground is told of after a fit too, and cut from it', async ({ page }) => {
    const id = await newPack(page, `Jugs ${Date.now()}`)
    await put(page, id, 'wares/water_jug/shelf.png', ballOnBlack(300))
    await page.goto(`/packs/${id}/prove`)
    const lost = page.locator('[data-code="image/alpha-lost"]')
    await page.getByRole('button', { name: 'Fit to 56 x 56', exact: true }).click()
    await expect(page.locator('[data-code="image/wrong-size"]')).toHaveCount(0)
    await expect(lost).toContainText('its alpha was lost')
    await page.getByRole('button', { name: 'Cut the ground #000000 away' }).click()
    await expect(lost).toHaveCount(0)
    expect((await findings(page, id)).blocker).toBe(0)
    await tryPack(page, 'Kilnmoor')
})
