import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { listen, peak } from './listening'
import { drop, findings, newPack, tryPack, withMicrophone } from './pages'
import { session } from './session'
import { expect, test } from './test'

/** Sounds in Shape: recorded from a microphone, shaped by steps, gone round in, heard, and right in the host. */

test.use(withMicrophone)

const wind = 'audio/ambience/moor_wind.wav'

/** Types where a part begins and ends. */
async function mark(page: Page, from: string, to: string) {
    for (const [end, value] of [
        ['from', from],
        ['to', to],
    ]) {
        const field = page.getByLabel(`Part ${end}, seconds`)
        await field.fill(value!)
        await field.press('Tab')
    }
}

test('a sound is recorded, shaped, gone round in and right in the host', async ({ page }) => {
    test.setTimeout(180_000)
    await page.addInitScript(listen)
    const id = await newPack(page, 'Recorded Wind')
    await page.request.post(`/api/packs/${id}/bring`, { data: { paths: [wind] } })
    await page.goto(`/packs/${id}/shape?path=${wind}`)

    await page.getByTestId('open-recorder').click()
    await page.getByTestId('record').click()
    await expect(page.getByTestId('recorder-state')).toContainText(/^[3-9]\.\d s/, { timeout: 20_000 })
    await page.getByTestId('record').click()
    await expect(page.getByTestId('take')).toContainText('Take 1')
    await expect(page.getByTestId('take').locator('audio')).toHaveJSProperty('error', null)
    await expect
        .poll(() => page.locator('audio').evaluate((take: HTMLAudioElement) => take.duration))
        .toBeGreaterThan(2.9)
    await page.getByTestId('use-take-1').click()
    // What the place plays, whatever the microphone gave.
    await expect(page.getByTestId('step-result')).toContainText(/3\.\d\d s, (32000|48000) Hz, mono/)

    await page.getByTestId('add-step').click()
    await page.getByRole('menuitem', { name: 'Make it 3.0 dB softer' }).click()
    await expect(page.getByTestId('step')).toHaveCount(1)
    await page.getByLabel('By: Make it 3.0 dB softer').fill('-1.5')
    await page.getByLabel('By: Make it 3.0 dB softer').press('Tab')
    await expect(page.getByTestId('step')).toContainText('Make it 1.5 dB softer')

    await mark(page, '0.5', '2.5')
    await page.getByTestId('loop-part').click()
    await expect(page.getByText(/It goes round from frame \d+ to \d+\./)).toBeVisible()
    await page.getByTestId('play-seam').click()
    await expect(page.getByTestId('play-seam')).toHaveAttribute('aria-pressed', 'true')
    await expect.poll(() => page.evaluate(peak), { timeout: 10_000 }).toBeGreaterThan(0.01)
    await page.keyboard.press('l')
    await expect(page.getByTestId('play-seam')).toHaveAttribute('aria-pressed', 'false')

    // Cut to less, the loop that is left is cut with it; taken back, all is as it was.
    await mark(page, '0.2', '3')
    await page.getByTestId('keep-part').click()
    await expect(page.getByTestId('step-result')).toContainText('2.80 s')
    await page.getByRole('button', { name: /Take off Keep/ }).click()
    await expect(page.getByTestId('step-result')).toContainText(/3\.\d\d s/)

    expect((await findings(page, id)).blocker).toBe(0)
    await page.goto(`/packs/${id}/prove`)
    await tryPack(page, 'Kilnmoor')
})

test('a part is marked with the mouse and heard; a microphone that is refused is told of', async ({
    page,
    context,
}) => {
    await page.addInitScript(listen)
    const id = await newPack(page, 'Marked Wind')
    await page.request.post(`/api/packs/${id}/bring`, { data: { paths: [wind] } })
    await page.goto(`/packs/${id}/shape?path=${wind}`)
    const wave = page.getByRole('img', { name: /^Yours/ })
    const box = (await wave.boundingBox())!
    await page.mouse.move(box.x + box.width * 0.25, box.y + 20)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width * 0.5, box.y + 30, { steps: 4 })
    await page.mouse.up()
    await expect(page.getByTestId('marked')).toBeVisible()
    await page.keyboard.press('m')
    await expect(page.getByTestId('play-part')).toHaveAttribute('aria-pressed', 'true')
    await expect.poll(() => page.evaluate(peak)).toBeGreaterThan(0.005)
    // It ends by itself.
    await expect(page.getByTestId('play-part')).toHaveAttribute('aria-pressed', 'false', { timeout: 10_000 })

    await context.clearPermissions()
    await page.evaluate(() => {
        navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'))
    })
    await page.getByTestId('open-recorder').click()
    await expect(page.getByRole('alert')).toContainText('does not let this page hear the microphone')
})

test('a recording that is dropped here runs through the steps that are there', async ({ page }) => {
    const id = await newPack(page, 'Dropped Wind')
    await page.request.post(`/api/packs/${id}/bring`, { data: { paths: [wind] } })
    await page.goto(`/packs/${id}/shape?path=${wind}`)
    await page.getByTestId('add-step').click()
    await page.getByRole('menuitem', { name: 'Fade in over 20 and out over 20 ms' }).click()
    await expect(page.getByTestId('step')).toHaveCount(1)
    const tone = readFileSync('../tests/Underlay.Testing/Fuzzing/Samples/tone.flac')
    await page
        .getByLabel('Choose a recording')
        .setInputFiles({ name: 'tone.flac', mimeType: 'audio/flac', buffer: tone })
    await expect(page.getByText('tone.flac is the new source; its steps ran again.')).toBeVisible()
    await expect(page.getByTestId('step-result')).toContainText('0.20 s')
    await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
    await expect(page.getByTestId('step-result')).toContainText(/[3-9]\.\d\d s/)
})

test('two sounds are looked at closer together and heard from one moment on', async ({ page }) => {
    await page.addInitScript(listen)
    const id = await newPack(page, 'Near Wind')
    await page.request.post(`/api/packs/${id}/bring`, { data: { paths: [wind] } })
    await page.goto(`/packs/${id}/shape?path=${wind}`)
    const yours = page.getByRole('img', { name: /^Yours:/ })
    await expect(page.getByTestId('levels')).toHaveCount(2)
    const { width, height } = (await yours.boundingBox())!
    await yours.click({ position: { x: width / 2, y: height / 2 } })
    await expect(page.getByTestId('cursor')).toHaveCount(2)
    await expect(page.getByText(/^at \d\.\d\d s -\d+(\.\d)? LUFS$/)).toHaveCount(2)
    const from = async () => Number(/(\d+\.\d\d) s/.exec(await page.getByText(/heard from \d/).innerText())![1])
    const before = await from()

    // Closer around the moment, which is a step later then, and finer than before.
    const fine = page.waitForResponse((answer) => answer.url().includes('/sound/outline') && answer.ok())
    for (const key of ['+', '+', '+', '.']) await page.keyboard.press(key)
    await fine
    const after = await from()
    expect(after).toBeGreaterThan(before)
    expect(after - before).toBeLessThan(0.2)
    await expect(page.getByRole('slider', { name: 'Where, seconds' })).toBeVisible()
    await page.keyboard.press('o')
    await expect(page.getByTestId('play-base')).toHaveAttribute('aria-pressed', 'true')
    await expect.poll(() => page.evaluate(peak)).toBeGreaterThan(0.002)
    await page.keyboard.press('a')
    await expect(page.getByRole('slider', { name: 'Where, seconds' })).toHaveCount(0)
    await page.getByRole('button', { name: 'from the start' }).click()
    await expect(page.getByTestId('cursor')).toHaveCount(0)
})

test('one long recording becomes the sounds that were read out, each in its place and right in the host', async ({
    page,
}) => {
    await page.addInitScript(listen)
    const id = await newPack(page, 'Evening of Bells')
    await drop(page, [{ name: 'evening take 2.wav', bytes: session([220, 330, 520, 700]) }])
    await page.getByTestId('open-split').click()
    await expect(page.getByTestId('part')).toHaveCount(5)
    await expect(page.getByText('4 ticked')).toBeVisible()
    await expect(page.getByTestId('part').nth(2)).toContainText('a cough?')
    await page.getByLabel('Hear part 1').click()
    await expect.poll(() => page.evaluate(peak)).toBeGreaterThan(0.05)

    // Too few names are told of, and nothing is lost by it.
    await page.getByTestId('names').fill('audio/bells/low_1')
    await expect(page.getByRole('status').filter({ hasText: 'only 1 names given' })).toBeVisible()
    await expect(page.getByTestId('split')).toBeDisabled()
    // What was read out is still there after a look elsewhere.
    await page.getByTestId('part').nth(2).getByRole('checkbox').check()
    await page.reload()
    await page.getByTestId('open-split').click()
    await expect(page.getByTestId('names')).toHaveValue('audio/bells/low_1')
    await page.getByTestId('part').nth(2).getByRole('checkbox').uncheck()
    await page.getByTestId('name-list').selectOption({ label: 'audio/bells, as in the base (6)' })
    await expect(page.getByTestId('part').first()).toContainText('high_1')
    await expect(page.getByText(/No part for audio\/bells\/mid_/)).toBeVisible()
    await page.getByTestId('split').click()
    await expect(page.getByText(/4 sounds in the tray\. The recording is kept in/)).toBeVisible()
    await expect(page.getByTestId('open-split')).toHaveCount(4)

    await page.getByTestId('place-sure').click()
    await expect(page.getByText('4 files placed.')).toBeVisible()
    // Recorded at 16000 Hz, they would be pitched: they are placed as the host plays them.
    expect((await findings(page, id)).blocker).toBe(0)
    await page.goto(`/packs/${id}/prove`)
    await tryPack(page, 'Kilnmoor')
})
