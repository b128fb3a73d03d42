import { readFileSync } from 'node:fs'
import { demo } from './server'
import { findings, newPack, packId, release, tryPack } from './pages'
import { expect, test } from './test'

test('a messy folder becomes a package that the host shows as it was made', async ({ page }) => {
    const id = await newPack(page, 'Tide Wares')

    // Gather: a folder goes into the tray, and the sure ones into their places.
    await page
        .getByTestId('add-folder')
        .or(page.locator('[data-test="add-folder"]'))
        .first()
        .setInputFiles(`${demo}/trays/tidepool`)
    const tray = page.locator('[data-test="tray"]')
    await expect(tray).toContainText('files to place')
    await tray.locator('[data-test="place-sure"]').click()
    await expect(page.getByText('files placed.')).toBeVisible()
    await expect(
        page
            .getByRole('region', { name: 'Files', exact: true })
            .getByText('as the host wants it', { exact: false })
            .first(),
    ).toBeVisible()

    // The few that are left are thrown away.
    await tray.getByRole('button', { name: 'Throw all away' }).click()
    await expect(tray).toBeHidden()

    // Prove: each finding is mended by its own word.
    await page.getByRole('link', { name: /^Prove/ }).click()
    // Those of single files of a finding lie folded away below it.
    const fix = page.locator('[data-test="fix"]').filter({ visible: true })
    const found = async () =>
        (await (await page.request.get(`/api/packs/${id}/findings`)).json()).rows as { fix: unknown }[]
    const fixes = async () => (await found()).filter((finding) => finding.fix !== null).length
    while ((await fixes()) > 0) {
        const before = JSON.stringify(await found())
        await fix.first().click()
        await expect.poll(async () => JSON.stringify(await found())).not.toBe(before)
        // Rows beyond the window are not drawn, so there may be fewer words to press than fixes.
        const most = await fixes()
        await expect.poll(() => fix.count()).toBeLessThanOrEqual(most)
    }
    // What is left is advice: two new wares came without their pictures, and placeholders stand for them.
    await expect(
        page
            .getByText(/^0 blockers|Nothing found/)
            .or(page.locator('[data-test="finding"]'))
            .first(),
    ).toBeVisible()
    expect(await findings(page, id)).toMatchObject({ blocker: 0, warning: 0 })

    // Trial: all of it is right. Release: built, kept, and downloaded.
    await tryPack(page, 'Kilnmoor')
    expect((await release(page)).name).toBe('tide_wares-1.0.0.kilnmoor')
})

test('a pack is made by keyboard alone', async ({ page }) => {
    await page.goto('/packs')
    await page.getByRole('button', { name: 'New pack' }).focus()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { name: 'New pack' })).toBeVisible()
    await page.keyboard.type('By Keys')
    await page.keyboard.press('Tab')
    await page.keyboard.press('Tab')
    await page.keyboard.press('Tab')
    await page.keyboard.press('Control+A')
    await page.keyboard.type('keys')
    await page.keyboard.press('Enter')
    await page.waitForURL(/gather/)
    await expect(page.getByRole('heading', { name: 'By Keys' })).toBeVisible()

    // Search the base and bring a surface.
    await expect(page.getByRole('searchbox')).toBeVisible()
    await page.keyboard.press('/')
    await expect(page.getByRole('searchbox')).toBeFocused()
    await page.keyboard.type('setts dark picture')
    await expect(page.locator('[data-path]')).toHaveCount(1)
    await page.keyboard.press('Tab')
    await page.getByRole('region', { name: 'Files', exact: true }).focus()
    await page.keyboard.press('ArrowDown')
    await expect(page.locator('[data-path="art/surfaces/setts_dark.png"]')).toBeFocused()
    await page.keyboard.press('Tab')
    await page.keyboard.press('Tab')
    await expect(page.locator('[data-path="art/surfaces/setts_dark.png"] [data-test="bring"]')).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(page.getByText('Brought art/surfaces/setts_dark.png')).toBeVisible()

    // Undo and redo.
    await page.keyboard.press('Control+z')
    await expect(page.getByText('Undone.')).toBeVisible()
    await page.keyboard.press('Control+Shift+Z')
    await expect(page.getByText('Done again.')).toBeVisible()

    // A file that came into the tray is placed.
    const picture = readFileSync(`${demo}/base/kilnmoor/4.0/wares/water_jug/shelf.png`)
    await page.request.post(`/api/packs/${packId(page)}/tray`, {
        multipart: { file: { name: 'jug.png', mimeType: 'image/png', buffer: picture } },
    })
    await page.getByLabel('Place for jug.png').focus()
    await page.keyboard.press('End')
    await page.keyboard.press('Tab')
    await page.keyboard.type('wares/water_jug/shelf.png')
    await page.keyboard.press('Tab')
    await expect(page.getByRole('button', { name: 'Place jug.png' })).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(page.getByText('Placed at wares/water_jug/shelf.png.')).toBeVisible()

    // Prove, trial, release: by their keys.
    await page.keyboard.press('4')
    await expect(page).toHaveURL(/prove/)
    await expect(page.locator('[data-test="finding"]').first()).toContainText('brought from the base')
    await page.locator('[data-test="look-trial"]').focus()
    await page.keyboard.press('Enter')
    await page.locator('[data-test="run-trial"]').focus()
    await page.keyboard.press('Enter')
    await expect(page.locator('[data-test="trial-summary"]')).toContainText('Everything is right.', { timeout: 60_000 })
    await page.keyboard.press('5')
    await page.getByRole('button', { name: 'Build', exact: true }).focus()
    await page.keyboard.press('Enter')
    await expect(page.locator('[data-test="release"]')).toBeVisible({ timeout: 60_000 })
    await page.keyboard.press('?')
    await expect(page.getByRole('heading', { name: 'Keys and appearance' })).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(page.getByRole('heading', { name: 'Keys and appearance' })).toBeHidden()
})
