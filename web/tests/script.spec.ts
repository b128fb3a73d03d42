import type { Page } from '@playwright/test'
import { drop, newPack, tryPack, withMicrophone } from './pages'
import { session } from './session'
import { expect, test } from './test'

/** The script of signals: noted, sent out and taken in, recorded into. */

test.use(withMicrophone)

const tower = JSON.stringify(
    {
        id: 'saltbrook.pier',
        occasions: ['market_day'],
        peals: [
            { signal: 'market_opens', weather: 'any', strokes: [{ audio: 'bells/low_1', turns: 1, rest_ms: 200 }] },
        ],
    },
    null,
    2,
)

const codes = async (page: Page, id: string) =>
    (
        (await (await page.request.get(`/api/packs/${id}/findings`)).json()) as {
            rows: { name: { code: string; path: string } }[]
        }
    ).rows.map(({ name }) => `${name.code} ${name.path}`)

test('a signal is recorded from the script: its sound, its row and its stroke are there', async ({ page }) => {
    test.setTimeout(120_000)
    const id = await newPack(page, 'Pier Bells')
    await page.request.put(`/api/packs/${id}/file`, { params: { path: 'entries/towers/pier.json' }, data: tower })
    expect(await codes(page, id)).toContain('entry/not-covered entries/towers/pier.json#market_closes')

    await page.goto(`/packs/${id}/define`)
    await page.getByRole('tab', { name: 'Script' }).click()
    await page.getByTestId('which-script').selectOption('left')
    const line = page.locator('[data-sound="bells/saltbrook_market_closes_1"]')
    await expect(line).toContainText('The market closes')
    await expect(line).toContainText('to be recorded')
    await line.getByRole('textbox', { name: /Who records/ }).fill('Ann')
    await line.getByRole('textbox', { name: /Notes/ }).fill('low, and slow')
    await line.getByRole('textbox', { name: /Notes/ }).press('Tab')

    // Out to somebody without Underlay, and back.
    await expect
        .poll(async () => (await page.request.get(`/api/packs/${id}/script/file`)).text())
        .toContain('Ann,"low, and slow"')
    const table = await (await page.request.get(`/api/packs/${id}/script/file`)).text()
    await page
        .locator('input[type="file"]')
        .setInputFiles({ name: 'script.csv', mimeType: 'text/csv', buffer: Buffer.from(table.replace('Ann', 'Bea')) })
    await expect(page.getByText('1 of its lines differ and are taken in.')).toBeVisible()
    await expect(line.getByRole('textbox', { name: /Who records/ })).toHaveValue('Bea')

    await line.getByRole('button', { name: /^Record/ }).click()
    await page.getByTestId('record').click()
    await expect(page.getByTestId('recorder-state')).toContainText(/^[2-9]\.\d s/, { timeout: 20_000 })
    await page.getByTestId('record').click()
    await page.getByTestId('use-take-1').click()
    await expect(page.getByText('bells/saltbrook_market_closes_1 is recorded.')).toBeVisible()
    await page.getByTestId('which-script').selectOption('all')
    await expect(line).toContainText('recorded, any'.split(',')[0]!)

    const left = await codes(page, id)
    expect(left.filter((one) => /not-covered|sound\/(row|rate|channels|unreadable)/.test(one))).toEqual([])
    const read = async (path: string) => (await page.request.get(`/api/packs/${id}/file`, { params: { path } })).text()
    expect(await read('audio/bells.csv')).toContain('saltbrook_market_closes_1,')
    expect(JSON.parse(await read('entries/towers/pier.json'))).toMatchObject({
        peals: [{}, { signal: 'market_closes', weather: 'any', strokes: [{ rest_ms: 200 }] }],
    })

    // One step back, as one step forth.
    await page.keyboard.press('Control+z')
    await expect(line).toContainText('to be recorded')
    expect(JSON.parse(await read('entries/towers/pier.json'))).toMatchObject({ peals: [{ signal: 'market_opens' }] })
})

test('a sound that lies where the script wants it is played by one press', async ({ page }) => {
    const id = await newPack(page, 'Pier Finds')
    await page.request.put(`/api/packs/${id}/file`, { params: { path: 'entries/towers/pier.json' }, data: tower })
    await page.request.put(`/api/packs/${id}/file`, {
        params: { path: 'audio/bells/saltbrook_market_closes_1.wav' },
        data: Buffer.from(session([330], 0)),
    })
    await page.goto(`/packs/${id}/define`)
    await page.getByRole('tab', { name: 'Script' }).click()
    const line = page.locator('[data-sound="bells/saltbrook_market_closes_1"]')
    await expect(line).toContainText('nothing plays it yet')
    await line.getByRole('button', { name: /^Let .* be played$/ }).press('Enter')
    await expect(line.getByRole('button', { name: /further take/ })).toBeVisible()
    expect(await codes(page, id)).not.toContain('entry/not-covered entries/towers/pier.json#market_closes')
})

test('a peal is rung as the host draws it, and stops when it is pressed again', async ({ page }) => {
    const id = await newPack(page, 'Pier Peals')
    await page.request.put(`/api/packs/${id}/file`, { params: { path: 'entries/towers/pier.json' }, data: tower })
    await page.goto(`/packs/${id}/define?path=entries/towers/pier.json`)
    const ring = page.getByRole('button', { name: 'Ring The market opens for rain' })
    await ring.click()
    await expect(ring).toHaveText('Stop')
    await expect(ring).toHaveAttribute('aria-pressed', 'true')
    await ring.click()
    await expect(ring).toHaveText('Ring')
    // Of a signal that nothing answers there is nothing to hear.
    await expect(page.getByRole('button', { name: 'Ring The market closes for rain' })).toHaveCount(0)
})

test('an evening of takes goes to the signals it was read for, with what was done again as further takes', async ({
    page,
}) => {
    test.setTimeout(120_000)
    const id = await newPack(page, 'Pier Evening')
    await page.request.put(`/api/packs/${id}/file`, { params: { path: 'entries/towers/pier.json' }, data: tower })
    const names = 'key,en,de,fr\nsaltbrook.pier/name,Pier,Pier,Quai\n'
    await page.request.put(`/api/packs/${id}/file`, { params: { path: 'texts/pier.csv' }, data: names })
    await drop(page, [{ name: 'evening.wav', bytes: session([330, 330, 520], 0) }])
    await page.getByTestId('open-split').click()
    await expect(page.getByTestId('part').first()).toContainText('done again after it')
    await page
        .getByTestId('name-list')
        .selectOption(await page.getByRole('option', { name: /^Your script, what/ }).innerText())
    await expect(page.getByText(/2 answer signals/)).toBeVisible()
    await page.getByTestId('keep-further').check()
    await expect(page.getByText(/3 answer signals/)).toBeVisible()
    await expect(page.getByTestId('part').first()).toContainText('a further take')
    await page.getByTestId('split').click()
    await expect(page.getByText(/3 sounds placed\. The recording is kept in/)).toBeVisible()

    // Both takes are drawn where the signal is rung.
    const rung = await (
        await page.request.get(`/api/packs/${id}/file`, { params: { path: 'entries/towers/pier.json' } })
    ).text()
    expect(rung).toMatch(/market_closes_1.*market_closes_2/s)
    const mine = (code: string) => /saltbrook_(market|\w+)_\d/.test(code) && !code.startsWith('sound/heard')
    expect((await codes(page, id)).filter(mine)).toEqual([])
    await page.goto(`/packs/${id}/prove`)
    await tryPack(page, 'Kilnmoor')
})
