import type { Page } from '@playwright/test'
import { newPack } from './pages'
import { expect, test } from './test'

const read = async (page: Page, id: string, path: string) =>
    (await page.request.get(`/api/packs/${id}/file`, { params: { path } })).text()
const saved = (page: Page) => expect(page.locator('[data-test="save-state"]')).toHaveText('saved')

/** Pastes what a spreadsheet holds into the field that has the focus. */
const paste = (page: Page, text: string) =>
    page.evaluate((copied) => {
        const clipboardData = new DataTransfer()
        clipboardData.setData('text/plain', copied)
        document.activeElement!.dispatchEvent(
            new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }),
        )
    }, text)

test('a table is begun, typed into where the base’s rows stand, filled from a spreadsheet and put back', async ({
    page,
}) => {
    const id = await newPack(page, 'Ebb Tables')
    await page.goto(`/packs/${id}/define`)
    await page.getByRole('button', { name: 'New entry …' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.locator('[data-test="new-place"]').selectOption('seal-table')
    await expect(dialog.locator('[data-test="plan"]')).toContainText('its rows lie over the base’s')
    await dialog.getByRole('button', { name: 'Make it' }).click()

    // One value of a row of the base's, over which the pack then lies.
    await page.getByLabel('heather, name').fill('Heather Kilns')
    await saved(page)
    expect(await read(page, id, 'tables/seals.csv')).toBe('do,code,name\nchange,heather,Heather Kilns\n')
    await page.getByRole('button', { name: 'Take out old_bridge' }).click()

    // A new row: its key, then on with the keyboard.
    await page.getByLabel('New row, code').fill('saltbrook_ebb')
    await page.getByLabel('New row, code').press('Enter')
    await page.keyboard.type('Ebb, the seal')
    await saved(page)
    await expect(page.locator('[data-test="table-says"]')).toContainText('1 new, 1 over the base’s, 1 taken out')

    // Rows with a header find theirs by key; a column that is none is refused.
    await page.getByLabel('New row, code').focus()
    await paste(page, 'code\tname\nheather\tHeather\nsaltbrook_low\tLow water\n')
    await expect(page.getByLabel('heather, name')).toHaveValue('Heather')
    await paste(page, 'code\ttitle\nheather\tX\n')
    await expect(page.getByText('This table has no column title. Nothing was pasted.')).toBeVisible()
    await saved(page)
    expect(await read(page, id, 'tables/seals.csv')).toBe(
        'do,code,name\nchange,heather,Heather\nremove,old_bridge,\n' +
            'add,saltbrook_ebb,"Ebb, the seal"\nadd,saltbrook_low,Low water\n',
    )

    await page.getByRole('button', { name: 'Put back the base’s heather' }).click()
    await expect(page.getByLabel('heather, name')).toHaveValue('Heather Pottery')
    await page.getByRole('button', { name: 'Delete saltbrook_low' }).click()
    await saved(page)
    // The text is the same file.
    await page.getByRole('tab', { name: 'Text', exact: true }).click()
    await expect(page.getByLabel('The entry as text')).toContainText('remove,old_bridge,')
    await expect(page.getByLabel('The entry as text')).not.toContainText('saltbrook_low')
})

test('an entry is made of none for a picture that wants it', async ({ page }) => {
    const id = await newPack(page, 'Ebb Wares')
    const shelf = await page.request.get('/api/hosts/kilnmoor/editions/4.0/base/file', {
        params: { path: 'wares/tea_cup/shelf.png' },
    })
    const put = await page.request.put(`/api/packs/${id}/file`, {
        params: { path: 'wares/reed_bowl/shelf.png' },
        data: await shelf.body(),
    })
    expect(put.ok()).toBe(true)
    await page.goto(`/packs/${id}/define`)
    await page.getByRole('button', { name: 'New entry …' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.locator('[data-test="new-place"]').selectOption('wares')
    await dialog.getByRole('button', { name: 'reed_bowl', exact: true }).click()
    await expect(dialog.locator('[data-test="plan"]')).toContainText('the middle of 12 of the base')
    await dialog.getByRole('button', { name: 'Make it' }).click()
    await expect(page.getByRole('heading', { name: /Reed bowl/ })).toBeVisible()
    await expect(page.getByLabel('Id', { exact: true })).toHaveValue('saltbrook.reed_bowl')
    await expect(page.getByLabel('Price', { exact: true })).toHaveValue('12')
})
