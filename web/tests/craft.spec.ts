import { findings, newPack, pick, release, tryPack } from './pages'
import { expect, test } from './test'

/** A recording as an author has it: 24 bits, 44,100 Hz, two channels. */
function recording(): Buffer {
    const [rate, channels, frames] = [44_100, 2, 22_050]
    const wav = Buffer.alloc(44 + frames * channels * 3)
    wav.write('RIFF', 0)
    wav.writeUInt32LE(wav.length - 8, 4)
    wav.write('WAVEfmt ', 8)
    wav.writeUInt32LE(16, 16)
    wav.writeUInt16LE(1, 20)
    wav.writeUInt16LE(channels, 22)
    wav.writeUInt32LE(rate, 24)
    wav.writeUInt32LE(rate * channels * 3, 28)
    wav.writeUInt16LE(channels * 3, 32)
    wav.writeUInt16LE(24, 34)
    wav.write('data', 36)
    wav.writeUInt32LE(wav.length - 44, 40)
    for (let i = 0; i < frames; i++)
        for (let c = 0; c < channels; c++)
            wav.writeIntLE(
                Math.round(1_400_000 * Math.exp(-i / 7000) * Math.sin((2 * Math.PI * 520 * i) / rate)),
                44 + (i * channels + c) * 3,
                3,
            )
    return wav
}

test('a ware is made of the base’s, renamed everywhere, and shown as it was made', async ({ page }) => {
    const id = await newPack(page, 'Ebb Wares')
    await page.getByRole('link', { name: /^Define/ }).click()
    await page.locator('[data-test="new-entry"]').click()
    const dialog = page.getByRole('dialog')
    await dialog.locator('[data-test="new-place"]').selectOption('wares')
    await dialog.locator('[data-test="new-original"]').selectOption({ label: 'Tea cup' })
    await dialog.locator('[data-test="name"]').fill('ebb_cup')
    await expect(dialog.locator('[data-test="plan"]')).toContainText('wares/ebb_cup/ware.json')
    await dialog.getByRole('button', { name: 'Make it' }).click()
    await expect(page.getByRole('heading', { name: 'Ebb cup' })).toBeVisible()
    await expect(page.getByLabel('Id', { exact: true })).toHaveValue('saltbrook.ebb_cup')

    // What it suits is a code with a value.
    const suits = page.locator('[data-test="map"]').filter({ hasText: 'Suits' })
    await suits.getByRole('combobox').selectOption('harvest')
    await suits.getByRole('button', { name: 'Add' }).click()
    await expect(suits.getByLabel('Harvest', { exact: true })).toBeVisible()
    await expect(page.locator('[data-test="save-state"]')).toHaveText('saved')

    // A recipe that makes it, in a list of which one part is another thing.
    await page.locator('[data-test="new-entry"]').click()
    await dialog.locator('[data-test="new-place"]').selectOption('recipes')
    await dialog.locator('[data-test="new-original"]').selectOption({ label: 'Tea cup' })
    await dialog.locator('[data-test="name"]').fill('ebb_cup')
    await dialog.getByRole('button', { name: 'Make it' }).click()
    const makes = page.locator('[data-test="list"]').filter({ has: page.getByRole('heading', { name: /^Makes/ }) })
    await pick(makes.getByRole('combobox', { name: 'Ware' }), 'saltbrook.ebb_cup')
    const uses = page.locator('[data-test="list"]').filter({ has: page.getByRole('heading', { name: /^Uses/ }) })
    await uses.locator('[data-test="add-item"]').click()
    await expect(uses.locator('[data-test="one-of"]')).toHaveCount(4)
    await uses.locator('[data-test="one-of"]').last().selectOption('material')
    await pick(uses.getByRole('combobox', { name: 'Material' }).last(), 'water')
    await expect(page.locator('[data-test="save-state"]')).toHaveText('saved')

    // Another name: the recipe and the texts follow.
    await page.goto(`/packs/${id}/define?path=wares/ebb_cup/ware.json`)
    await page.getByRole('button', { name: 'Rename …' }).click()
    await dialog.locator('[data-test="name"]').fill('low_tide_cup')
    await expect(dialog.locator('[data-test="plan"]')).toContainText('entries/recipes/ebb_cup.json')
    await dialog.getByRole('button', { name: 'Rename', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'Low tide cup' })).toBeVisible()
    await page.goto(`/packs/${id}/define?path=entries/recipes/ebb_cup.json`)
    await expect(makes.getByRole('combobox', { name: 'Ware' })).toHaveValue(/saltbrook\.low_tide_cup$/)

    expect(await findings(page, id)).toMatchObject({ blocker: 0 })
    await page.getByRole('link', { name: /^Prove/ }).click()
    await tryPack(page, 'Kilnmoor')
    expect((await release(page)).name).toBe('ebb_wares-1.0.0.kilnmoor')
})

test('a recording finds its place, becomes what the place plays, and is heard', async ({ page }) => {
    const id = await newPack(page, 'New Bells')
    await page
        .locator('[data-test="add-files"]')
        .first()
        .setInputFiles({ name: 'low 1 final.wav', mimeType: 'audio/wav', buffer: recording() })
    const tray = page.locator('[data-test="tray"]')
    await expect(tray).toContainText('audio/bells/low_1.wav')
    await tray.locator('[data-test="place"]').first().click()
    await expect(tray).toBeHidden()

    await page.goto(`/packs/${id}/shape?path=audio/bells/low_1.wav`)
    // Its depth, rate and channels are not the host's: it was saved anew as it was placed, and is kept.
    await expect(page.getByText('48000 Hz · mono')).toBeVisible()
    await expect(page.locator('[data-test="step-result"]')).toContainText('48000 Hz, mono')
    expect(await findings(page, id)).toMatchObject({ blocker: 0 })

    await page.locator('[data-test="play-yours"]').click()
    await expect(page.locator('[data-test="play-yours"]')).toHaveAttribute('aria-pressed', 'true')
    await page.locator('[data-test="play-base"]').click()
    await expect(page.locator('[data-test="play-yours"]')).toHaveAttribute('aria-pressed', 'false')
    await page.keyboard.press('o')
    await expect(page.locator('[data-test="play-base"]')).toHaveAttribute('aria-pressed', 'false')

    await page.getByRole('link', { name: /^Prove/ }).click()
    await tryPack(page, 'Kilnmoor')
})
