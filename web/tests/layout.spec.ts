import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { demo } from './server'
import { demoPack, drop, newPack } from './pages'
import { expect, test } from './test'

const surface = 'art/surfaces/setts_dark.png'

/** Labels of the strip that are cut, or run into the one beside them. */
const crowded = (page: Page) =>
    page.evaluate(() => {
        const strip = document.querySelector('[aria-label="Section of the pack"]')!.getBoundingClientRect()
        const boxes = [...document.querySelectorAll<HTMLElement>('[data-label]')].map((label) => {
            const range = document.createRange()
            range.selectNodeContents(label)
            return { text: label.textContent!.trim(), box: range.getBoundingClientRect() }
        })
        return boxes
            .filter(
                ({ box }, i) =>
                    box.right > strip.right + 1 || boxes.some((other, j) => j > i && other.box.left < box.right + 1),
            )
            .map(({ text }) => text)
    })

/** Numbers of findings that are wider than the columns into which they are cut. */
const cut = (page: Page) =>
    page.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>('[data-column]')].flatMap((column) =>
            [...column.querySelectorAll('.mark')]
                .filter((mark) => {
                    const range = document.createRange()
                    range.selectNodeContents(mark)
                    return range.getBoundingClientRect().right > column.getBoundingClientRect().right
                })
                .map((mark) => `${column.dataset.column} ${mark.textContent}`),
        ),
    )

for (const width of [1280, 900])
    for (const title of ['Tidepool Glazes', 'Winter Market', 'Northern Plates'])
        test(`the strip of ${title} cuts no label at ${width} pixels`, async ({ page }) => {
            await page.setViewportSize({ width, height: 800 })
            await page.goto(`/packs/${await demoPack(page, title)}/gather`)
            await expect(page.locator('[data-label]').first()).toBeVisible()
            expect(await page.locator('[data-label]').count()).toBeGreaterThan(2)
            expect(await crowded(page)).toEqual([])
            expect(await cut(page)).toEqual([])
            // Where there is less room it is scrolled.
            const strip = page.getByRole('group', { name: 'Section of the pack' })
            if (width === 1280)
                expect(await strip.evaluate((at) => at.scrollWidth - at.clientWidth)).toBeLessThanOrEqual(0)
        })

test('a thousand findings of one place have room for their number', async ({ page }) => {
    const id = await newPack(page, 'Many Texts')
    const rows = Array.from({ length: 1200 }, (_, i) => `saltbrook_line_${i}/line,Line ${i}.,Zeile ${i}.,Ligne ${i}.`)
    await page.request.put(`/api/packs/${id}/file?path=texts/saltbrook.csv`, {
        data: ['key,en,de,fr', ...rows, ''].join('\n'),
    })
    await page.setViewportSize({ width: 900, height: 800 })
    await page.goto(`/packs/${id}/gather`)
    await expect(page.locator('[data-column="texts"] .mark')).toHaveText('1200')
    expect(await cut(page)).toEqual([])
})

test('each place has its own name in the menu and while its column has the focus', async ({ page }) => {
    await page.goto(`/packs/${await demoPack(page, 'Tidepool Glazes')}/gather`)
    const section = page.getByRole('group', { name: 'Section of the pack' })
    await section.getByRole('button', { name: /^Glaze masks:/ }).focus()
    await expect(section.locator('strong')).toHaveText('Glaze masks')
    await page.locator('[data-test="places"]').click()
    await expect(page.getByRole('menuitem', { name: /^Glaze masks/ })).toBeVisible()
    await page
        .getByRole('menuitem', { name: /^Seal pictures|^Seals/ })
        .first()
        .click()
    await expect(page).toHaveURL(/place=seals/)
})

test('a menu of a row lies above the rows beneath and presses what it shows', async ({ page }) => {
    const id = await newPack(page, 'Menus')
    for (const name of ['setts_dark', 'setts_pale', 'sand_dry'])
        await page.request.put(`/api/packs/${id}/file?path=art/surfaces/${name}.png`, {
            data: readFileSync(`${demo}/base/kilnmoor/4.0/art/surfaces/${name}.png`),
        })
    await page.goto(`/packs/${id}/gather?show=yours`)
    await page.getByRole('button', { name: 'More for art/surfaces/sand_dry.png' }).click()
    const last = page.getByRole('menuitem', { name: 'Take out' })
    const isOnTop = await last.evaluate((item) => {
        const box = item.getBoundingClientRect()
        return item.contains(document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2))
    })
    expect(isOnTop).toBe(true)
    await last.click()
    await expect(page.locator('[data-path="art/surfaces/sand_dry.png"]')).toHaveCount(0)
    await expect(page.locator('[data-path="art/surfaces/setts_dark.png"]')).toBeVisible()
})

test('in a low window the work is seen, and menus open within it, by key too', async ({ page }) => {
    await page.setViewportSize({ width: 640, height: 400 })
    const id = await demoPack(page, 'Tidepool Glazes')
    await page.goto(`/packs/${id}/define?path=entries/towers/quay.json`)
    const strokes = page.getByRole('region', { name: 'Strokes' }).first()
    await expect(strokes).toBeVisible()
    expect((await page.locator('#work').boundingBox())!.y).toBeLessThan(100)
    // Each field of a stroke has room for what stands in it.
    const widths = await strokes.locator('input, select').evaluateAll((all) => all.map((one) => one.clientWidth))
    expect(widths.length).toBeGreaterThan(2)
    expect(Math.min(...widths)).toBeGreaterThanOrEqual(100)

    const opener = page.locator('[data-test="examples"]').last()
    await opener.focus()
    for (const _ of ['once', 'again']) {
        await page.keyboard.press('Enter')
        const menu = (await page.getByRole('menu').boundingBox())!
        expect(menu.y).toBeGreaterThanOrEqual(0)
        expect(menu.x).toBeGreaterThanOrEqual(0)
        expect(menu.y + menu.height).toBeLessThanOrEqual(400)
        expect(menu.x + menu.width).toBeLessThanOrEqual(640)
        await page.keyboard.press('Escape')
        await expect(page.getByRole('menu')).toHaveCount(0)
        await expect(opener).toBeFocused()
    }
    await expect(page).toHaveURL(/define/)
})

test('sixty plates without contents are one finding, opened below it', async ({ page }) => {
    await page.goto(`/packs/${await demoPack(page, 'Northern Plates')}/prove`)
    const finding = page.locator('[data-test="finding"]')
    await expect(finding).toHaveCount(1)
    await expect(page.locator('[data-test="prove-counts"]')).toContainText('1')
    await finding.getByText('60 files').click()
    await expect(finding.locator('[data-test="parts"] li')).toHaveCount(60)
})

test('a key goes through the grounds, and types its letter in a text field', async ({ page }) => {
    const id = await newPack(page, 'Grounds')
    await page.request.put(`/api/packs/${id}/file?path=${surface}`, {
        data: readFileSync(`${demo}/base/kilnmoor/4.0/${surface}`),
    })
    await page.goto(`/packs/${id}/shape?path=${surface}`)
    const ground = page.getByLabel('Ground')
    await expect(ground).toHaveValue('light')
    for (const next of ['dark', 'loud', 'light']) {
        await page.keyboard.press('c')
        await expect(ground).toHaveValue(next)
    }
    await page.goto(`/packs/${id}/gather`)
    await expect(page.getByRole('searchbox')).toBeVisible()
    await page.keyboard.press('/')
    await page.keyboard.type('clay cc')
    await expect(page.getByRole('searchbox')).toHaveValue('clay cc')
})

test('a small picture fills its pane by a whole factor', async ({ page }) => {
    const id = await newPack(page, 'Small')
    const shelf = 'wares/tea_cup/shelf.png'
    await page.request.post(`/api/packs/${id}/bring`, { data: { paths: [shelf] } })
    await page.goto(`/packs/${id}/shape?path=${shelf}`)
    const picture = page.locator('img[alt*="Yours"], canvas').last()
    await expect(picture).toBeVisible()
    const width = await page
        .locator('main img')
        .evaluateAll((all) => Math.max(...all.map((img) => img.getBoundingClientRect().width)))
    expect(width % 56).toBe(0)
    expect(width).toBeGreaterThanOrEqual(56 * 3)
    expect(width).toBeLessThanOrEqual(56 * 8)
})

test('a colour is typed or pasted as hex, and shown', async ({ page }) => {
    const id = await demoPack(page, 'Northern Plates')
    await page.request.put(`/api/packs/${id}/file?path=tints.json`, {
        data: '{ "adult": { "l": 0.5, "c": 0.1, "h": 40 } }',
    })
    try {
        await page.goto(`/packs/${id}/define?path=tints.json`)
        const row = page.locator('[data-test="colour"]').first()
        const hex = row.locator('input:not([type=color])').first()
        await hex.fill('#2f8f86')
        await hex.blur()
        await expect(row.getByLabel(/swatch/)).toHaveValue('#2f8f86')
        await page.getByRole('tab', { name: 'Text', exact: true }).click()
        await expect(page.getByRole('textbox', { name: 'The entry as text' })).toContainText('"h": 18')
    } finally {
        await page.goto('/packs')
        await page.request.post(`/api/packs/${id}/undo`, { data: {} })
    }
})

test('a typed path completes, is judged while it is typed, and a sound is refused at a picture’s', async ({ page }) => {
    await newPack(page, 'Typed')
    await drop(page, [
        { name: 'call.wav', bytes: 'RIFF\u0000\u0000\u0000\u0000WAVE' },
        { name: 'zzz.png', bytes: readFileSync(`${demo}/base/kilnmoor/4.0/${surface}`) },
    ])
    const sound = page.locator('[data-test="tray-row"]', { hasText: 'call.wav' })
    await sound.locator('[data-test="target"]').selectOption({ label: 'another path …' })
    await sound.locator('[data-test="typed-path"]').fill('x.png')
    await expect(sound.locator('[data-test="path-says"]')).toContainText('It is a WAV sound')
    await expect(sound.locator('[data-test="place"]')).toBeDisabled()
    const picture = page.locator('[data-test="tray-row"]', { hasText: 'zzz.png' })
    const typed = picture.locator('[data-test="typed-path"]')
    await picture.locator('[data-test="target"]').selectOption({ label: 'another path …' })
    await typed.fill('art/surface/zzz.png')
    await expect(picture.locator('[data-test="path-says"]')).toContainText('art/surfaces/zzz.png')
})
