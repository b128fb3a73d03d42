import { readFileSync } from 'node:fs'
import { demo, root } from './server'
import { drop, newPack } from './pages'
import { expect, test } from './test'

const base = (path: string) => readFileSync(`${demo}/base/kilnmoor/4.0/${path}`)

test('the tray groups what contends for a place, keeps what is chosen, and places all that is ready', async ({
    page,
}) => {
    await newPack(page, 'Full tray')
    const other = base('art/surfaces/clay_raked.png')
    await drop(page, [
        { name: 'setts_dark.png', bytes: other },
        { name: 'Setts_Dark_final.png', bytes: base('art/surfaces/setts_pale.png') },
        { name: 'sand_dry.png', bytes: other },
        { name: 'water_pond.png', bytes: other },
        { name: 'mine.png', bytes: other },
        { name: 'Thumbs.db', bytes: 'x' },
        { name: 'notes.txt', bytes: 'x' },
    ])
    const tray = page.locator('[data-test="tray"]')
    await expect(tray.getByRole('heading', { name: '2 files for art/surfaces/setts_dark.png' })).toBeVisible()
    const contested = tray.locator('[data-test="tray-row"]', { hasText: 'final' })
    await expect(contested.locator('figure')).toHaveCount(2)
    await expect(tray.getByRole('heading', { name: 'Of no use' })).toBeAttached()
    await tray.getByLabel('Which files of the tray').selectOption('ready')
    await expect(tray.locator('[data-test="tray-row"]')).toHaveCount(3)
    await tray.locator('[data-test="place-shown"]').click()
    await expect(page.getByText('3 files placed.')).toBeVisible()
    await expect(page.locator('[data-path="art/surfaces/sand_dry.png"]')).toBeVisible()
})

test('keys place one file after the other', async ({ page }) => {
    await newPack(page, 'One after the other')
    const picture = base('art/surfaces/clay_raked.png')
    await drop(
        page,
        ['sand_dry', 'setts_dark', 'setts_pale'].map((name) => ({ name: `${name}.png`, bytes: picture })),
    )
    const rows = page.locator('[data-test="tray-row"]')
    await expect(rows).toHaveCount(3)
    await rows.first().locator('[data-test="place"]').focus()
    for (const left of [2, 1, 0]) {
        await page.keyboard.press('Enter')
        await expect(rows).toHaveCount(left)
        if (left > 0) await expect(rows.first().locator('[data-test="place"]')).toBeFocused()
    }
    await page.keyboard.press('ArrowDown')
    await expect(page.locator('[data-path]:focus')).toHaveCount(1)
})

test('a picture that would stand back behind the host’s own says so before it is placed', async ({ page }) => {
    const id = await newPack(page, 'Outranked')
    const { rows } = (await (await page.request.get(`/api/packs/${id}/ledger`)).json()) as { rows: { path: string }[] }
    const dds = rows.map((r) => r.path).find((path) => /^wares\/.*skin\.dds$/.test(path))!
    await drop(page, [{ name: 'zzz.png', bytes: base('art/surfaces/clay_raked.png') }])
    const dropped = page.locator('[data-test="tray-row"]', { hasText: 'zzz.png' })
    await dropped.locator('[data-test="target"]').selectOption({ label: 'another path …' })
    await dropped.locator('[data-test="typed-path"]').fill(dds.replace('.dds', '.png'))
    await expect(dropped.locator('[data-test="path-says"]')).toContainText('goes before it')
})

test('a file without a place asks for its path and leaves the tray where it is', async ({ page }) => {
    await page.setViewportSize({ width: 1280, height: 620 })
    await newPack(page, 'Tray at rest')
    const judged = page.waitForResponse(/tray\/path/)
    await drop(page, [
        ...['setts_dark', 'setts_pale', 'sand_dry'].map((name) => ({
            name: `${name}.png`,
            bytes: base(`art/surfaces/${name}.png`),
        })),
        { name: 'nothing like it.png', bytes: readFileSync(`${root}docs/screenshots/packs.png`) },
    ])
    const tray = page.locator('[data-test="tray"]')
    await judged
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
    await expect(tray.getByRole('heading', { name: 'Ready to place' })).toBeInViewport()
    const files = tray.getByRole('region', { name: 'Files in the tray' })
    expect(await files.evaluate((box) => [box.scrollTop, box.scrollHeight > box.clientHeight])).toEqual([0, true])

    // What is said of a path that is typed comes into view.
    await tray.locator('[data-test="typed-path"]').fill('art/surfaces/nowhere/')
    await expect(tray.locator('[data-test="path-says"]')).toBeInViewport()

    // What was typed is there again after another stop, and after the page was loaded again.
    await page.getByRole('link', { name: /^Prove/ }).click()
    await page.waitForURL(/prove/)
    await page.goBack()
    await expect(tray.locator('[data-test="typed-path"]')).toHaveValue('art/surfaces/nowhere/')
    await page.reload()
    await expect(tray.locator('[data-test="typed-path"]')).toHaveValue('art/surfaces/nowhere/')
})
