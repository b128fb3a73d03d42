import type { Page } from '@playwright/test'
import { findings, newPack, tryPack } from './pages'
import { expect, test } from './test'

const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveText('saved')

async function make(page: Page, place: string, original: string, name: string) {
    await page.getByRole('link', { name: /^Define/ }).click()
    await page.getByTestId('new-entry').click()
    await page.getByTestId('new-place').selectOption(place)
    if (original) await page.getByTestId('new-original').selectOption(original)
    await page.getByTestId('name').fill(name)
    await page.getByRole('button', { name: 'Make it' }).click()
    await expect(page.getByRole('dialog')).toHaveCount(0)
}

test('a glaze is written of three examples, and what only holds a place is known until it is set', async ({ page }) => {
    const id = await newPack(page, 'Ebb Glaze')
    await make(page, 'glazes', '', 'ebb')
    const rows = page.getByTestId('list').filter({ has: page.getByRole('heading', { name: /^Reactions/ }) })
    for (const [index, title] of ['Crackle', 'Drips', 'Matte'].entries()) {
        await rows.getByTestId('examples').click()
        await page.getByRole('menuitem', { name: new RegExp(`^${title}`) }).click()
        await expect(rows.getByTestId('list').or(rows.locator('ol > li'))).toHaveCount(index + 1)
    }
    await saved(page)
    await expect(rows.getByTestId('later')).toHaveCount(10)
    await expect(page.getByTestId('map-of-rows')).toBeVisible()

    // A parameter shows what it may be; what is set is no longer marked.
    const length = rows.getByRole('textbox', { name: 'Length' })
    await length.fill('55')
    await expect(page.getByText('Outside its range: 40 is taken.')).toBeVisible()
    await expect(page.getByTestId('parameters')).toContainText('1 to 40 mm')
    await length.fill('12')
    await expect(page.getByText('Outside its range')).toHaveCount(0)
    await expect(rows.getByTestId('later')).toHaveCount(9)
    await saved(page)

    // Rows are put into order by key and by mouse, and their marks go along.
    await rows.getByRole('button', { name: 'Move number 3 up' }).click()
    await expect(rows.locator('ol > li').nth(1).getByRole('combobox', { name: 'Type' })).toHaveValue(/Matte/)
    const handle = rows.getByTestId('drag').nth(1)
    const above = rows.locator('ol > li').first().getByRole('textbox', { name: 'Soak' })
    await above.evaluate((field) => field.scrollIntoView({ block: 'center' }))
    // Where the page is still busy with what came before, the mouse drags again.
    await expect(async () => {
        const [box, over] = [(await handle.boundingBox())!, (await above.boundingBox())!]
        await page.mouse.move(box.x + 8, box.y + 8)
        await page.mouse.down()
        await page.mouse.move(over.x + 8, over.y + 8, { steps: 8 })
        await page.mouse.up()
        await expect(rows.locator('ol > li').first().getByRole('combobox', { name: 'Type' })).toHaveValue(/Matte/, {
            timeout: 2000,
        })
    }).toPass()
    await saved(page)
    await expect(rows.getByTestId('later')).toHaveCount(9)

    // The rest is done when the author says so.
    await rows.getByRole('textbox', { name: 'Softness' }).focus()
    const mark = page.getByTestId('later-marks').getByLabel('Softness is still to be set')
    await expect(mark).toBeChecked()
    await mark.uncheck()
    await expect(rows.getByTestId('later')).toHaveCount(8)
    await page.reload()
    await expect(rows.getByTestId('later')).toHaveCount(8)

    expect(await findings(page, id)).toMatchObject({ blocker: 0, warning: 0 })
    await page.getByRole('link', { name: /^Prove/ }).click()
    await expect(page.getByText(/is marked to be set later/).first()).toBeVisible()
    await tryPack(page, 'Kilnmoor')
})

test('what is taken from another entry brings the pictures that it wants', async ({ page }) => {
    await newPack(page, 'Warm Cups')
    await make(page, 'wares', 'wares/tea_cup/ware.json', 'warm_cup')
    await expect(page.getByTestId('scale')).toContainText('7.5 cm high')
    const compare = page.getByTestId('compare-with')
    await compare.getByRole('combobox').selectOption('wares/salt_crock/ware.json')
    await compare.getByLabel('Choose ember').check()
    await compare.getByLabel('Choose price').check()
    await compare.getByTestId('take-chosen').click()
    await expect(page.getByText(/2 values are taken/)).toContainText('art/embers/wares/warm_cup.png')
    await expect(page.getByRole('textbox', { name: 'Ember' })).not.toHaveValue('')
    await page.getByRole('link', { name: /^Gather/ }).click()
    const row = page.getByTitle('art/embers/wares/warm_cup.png', { exact: true })
    await expect(row).toBeVisible()
    // One change, taken back as one.
    await page.getByRole('button', { name: 'Undo' }).first().click()
    await expect(row).toHaveCount(0)
})

test('a text that breaks off keeps its form readable up to there', async ({ page }) => {
    await newPack(page, 'Broken Glaze')
    await make(page, 'glazes', '', 'ebb')
    await page.getByRole('tab', { name: 'Text', exact: true }).click()
    const text = page.getByRole('textbox', { name: 'The entry as text' })
    await text.press('Control+End')
    await text.press('Backspace')
    await page.keyboard.type('"rim": , "reactions": [')
    await page.getByRole('tab', { name: 'Form', exact: true }).click()
    await expect(page.getByTestId('up-to')).toContainText('cannot be read from line')
    await expect(page.getByLabel('Id', { exact: true })).toHaveValue('saltbrook.ebb')
    // It can be read, and not changed.
    await expect(page.getByRole('form').or(page.locator('form[inert]'))).toHaveAttribute('inert', '')
    await page.getByTestId('up-to').getByRole('button', { name: 'as text' }).click()
    await expect(text).toContainText('"rim": , "reactions": [')
})
