import { readFileSync } from 'node:fs'
import { demo } from './server'
import { drop, newPack } from './pages'
import { expect, test } from './test'

const base = (path: string) => readFileSync(`${demo}/base/kilnmoor/4.0/${path}`)

test('the tray groups what contends for a place, keeps what is chosen, and places each kind by its own press', async ({
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
    await tray.getByLabel('Which files of the tray').selectOption('sure')
    await expect(tray.locator('[data-test="tray-row"]')).toHaveCount(2)
    await tray.getByTestId('place-sure-group').click()
    await expect(page.getByText('2 files placed.')).toBeVisible()
    await tray.getByLabel('Which files of the tray').selectOption('likely')
    await expect(tray.locator('[data-test="tray-row"]')).toHaveCount(1)
    await tray.getByTestId('place-likely-group').click()
    await expect(page.getByText('1 file placed.')).toBeVisible()
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
        { name: 'nothing like it.txt', bytes: 'words' },
    ])
    const tray = page.locator('[data-test="tray"]')
    await judged
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
    await expect(tray.getByRole('heading', { name: /^Sure/ })).toBeInViewport()
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

test('a series that counts from 0 goes as a whole, and is seen in order before', async ({ page }) => {
    const id = await newPack(page, 'A series')
    await drop(
        page,
        Array.from({ length: 8 }, (_, i) => ({
            name: `bottle_flame_${i}.png`,
            bytes: base(`art/flames/bottle/0${i + 1}.png`),
        })),
    )
    const tray = page.locator('[data-test="tray"]')
    await expect(tray.getByRole('heading', { name: 'A series of 8' })).toBeVisible()
    await expect(tray.getByText('yours are counted from 0')).toBeVisible()
    await expect(tray.getByTestId('series-playing')).toBeVisible()
    await tray.getByTestId('place-series-group').click()
    await expect(page.getByText('8 files placed.')).toBeVisible()
    const placed = await Promise.all(
        [1, 8].map((n) => page.request.get(`/api/packs/${id}/file?path=art/flames/bottle/0${n}.png`)),
    )
    expect(placed.map((answer) => answer.status())).toEqual([200, 200])
})

test('two new wares are begun from the tray, one under a name of the author’s, by keys', async ({ page }) => {
    const id = await newPack(page, 'Two new wares')
    const [shelf, skin, mask] = ['shelf', 'skin', 'mask'].map((part) => base(`wares/tea_cup/${part}.png`))
    await drop(page, [
        { name: 'kelp_bowl_shelf.png', bytes: shelf! },
        { name: 'Kelp Bowl skin final.png', bytes: skin! },
        { name: 'kelp-bowl-mask.png', bytes: mask! },
        { name: 'reedjar_icon.png', bytes: base('wares/water_jug/shelf.png') },
        { name: 'reedjar_skin_2.png', bytes: base('wares/water_jug/skin.png') },
    ])
    const tray = page.locator('[data-test="tray"]')
    await expect(tray.getByRole('heading', { name: 'Begin a new ware with these 3' })).toBeVisible()
    await tray.getByRole('button', { name: 'Begin ware kelp_bowl' }).click()
    await expect(page.getByText('The ware kelp_bowl is begun with 3 files: wares/kelp_bowl/ware.json.')).toBeVisible()
    const name = tray.getByTestId('thing-name')
    await expect(name).toHaveValue('reedjar')
    // A name that cannot be is refused, and nothing is lost.
    await name.fill('Reed Jar')
    await name.press('Enter')
    await expect(page.getByText('“Reed Jar” is no name')).toBeVisible()
    // What was typed is there again after another stop.
    await name.fill('reed_jar')
    await page.getByRole('link', { name: /^Prove/ }).click()
    await page.waitForURL(/prove/)
    await page.goBack()
    await expect(name).toHaveValue('reed_jar')
    await name.press('Enter')
    await expect(page.getByText('The ware reed_jar is begun with 2 files')).toBeVisible()
    await expect(tray).toHaveCount(0)
    const { rows } = (await (await page.request.get(`/api/packs/${id}/ledger`)).json()) as { rows: { path: string }[] }
    const made = rows.map((row) => row.path).filter((path) => /(kelp_bowl|reed_jar)\//.test(path))
    expect(made.sort()).toEqual([
        'wares/kelp_bowl/mask.png',
        'wares/kelp_bowl/shelf.png',
        'wares/kelp_bowl/skin.png',
        'wares/kelp_bowl/ware.json',
        'wares/reed_jar/shelf.png',
        'wares/reed_jar/skin.png',
        'wares/reed_jar/ware.json',
    ])
    // One undo takes one of them back whole.
    await page.keyboard.press('Control+z')
    await expect(tray.getByTestId('thing-name')).toHaveValue('reed_jar')
})
