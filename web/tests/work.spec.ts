import { readFileSync } from 'node:fs'
import { drop, newPack } from './pages'
import { demo } from './server'
import { expect, test } from './test'

const base = (path: string) => readFileSync(`${demo}/base/kilnmoor/4.0/${path}`)

// Each request is held on its way, or its answer on its way back, as a slow machine would.
test('files on their way are told of, and cancelled by key', async ({ page }) => {
    await newPack(page, 'Slow road')
    await page.route('**/tray', (route) => (route.request().method() === 'POST' ? undefined : route.continue()))
    const files = ['sand_dry', 'water_pond'].map((name) => ({
        name: `${name}.png`,
        bytes: base('art/surfaces/clay_raked.png'),
    }))
    await drop(page, files)
    const work = page.getByTestId('work')
    await expect(work).toContainText('Sending 2 files, ')
    await work.getByRole('button', { name: 'Cancel' }).press('Enter')
    await expect(page.getByTestId('message')).toContainText('Cancelled. What had come in by then lies in the tray.')
    await expect(work).toHaveCount(0)

    await page.unroute('**/tray')
    await drop(page, files)
    await expect(page.getByTestId('tray-row')).toHaveCount(2)
})

test('placing is cancelled, changes nothing and goes on when it is pressed again', async ({ page }) => {
    const id = await newPack(page, 'Slow places')
    const files = ['sand_dry', 'water_pond'].map((name) => ({
        name: `${name}.png`,
        bytes: base('art/surfaces/clay_raked.png'),
    }))
    await drop(page, files)
    await page.route('**/tray/placements', () => undefined)
    await page.getByTestId('place-sure').click()
    const work = page.getByTestId('work')
    await expect(work).toContainText('Placing 2 files')
    await work.getByRole('button', { name: 'Cancel' }).click()
    await expect(page.getByTestId('message')).toContainText('Cancelled; nothing was changed.')
    await expect(page.getByTestId('tray-row')).toHaveCount(2)

    await page.unroute('**/tray/placements')
    await page.getByTestId('place-sure').click()
    await expect(page.getByText('2 files placed.')).toBeVisible()
    expect((await page.request.get(`/api/packs/${id}/file?path=art/surfaces/sand_dry.png`)).ok()).toBe(true)
})

test('a fix that was made before it was cancelled is told, and shown', async ({ page }) => {
    const id = await newPack(page, 'Slow fix')
    await page.request.put(`/api/packs/${id}/file?path=art/surfaces/sand_dry.png.png`, {
        data: base('art/surfaces/clay_raked.png'),
    })
    await page.goto(`/packs/${id}/prove`)
    await page.route('**/fixes', async (route) => void (await route.fetch()))
    await page.getByTestId('fix').first().click()
    const work = page.getByTestId('work')
    await expect(work).toBeVisible()
    const mended = () => page.request.get(`/api/packs/${id}/file?path=art/surfaces/sand_dry.png`)
    await expect.poll(async () => (await mended()).ok()).toBe(true)
    await work.getByRole('button', { name: 'Cancel' }).click()
    await expect(page.getByTestId('message')).toContainText('Cancelled too late')
    await expect(page.getByText('sand_dry.png.png')).toHaveCount(0)
})
