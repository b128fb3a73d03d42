import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { findings, newPack, pick } from './pages'
import { expect, test } from './test'

const cell = (page: Page, owner: string, word: string, language: string) =>
    page.getByLabel(`${owner}, ${word}, ${language}`, { exact: true })
const texts = async (page: Page, id: string) =>
    (
        (await (await page.request.get(`/api/packs/${id}/texts`)).json()) as {
            texts: { key: string; says: string[]; isYours: boolean }[]
        }
    ).texts

/** A ware of the author's, made of the base's tea cup. */
async function makeCup(page: Page): Promise<string> {
    const id = await newPack(page, 'Ebb Wares')
    const made = await page.request.post(`/api/packs/${id}/entry/another`, {
        data: { path: 'wares/tea_cup/ware.json', name: 'ebb_cup' },
    })
    expect(made.ok()).toBe(true)
    return id
}

test('texts that another like it left as they were are found and written in three languages', async ({ page }) => {
    const id = await makeCup(page)
    await page.goto(`/packs/${id}/define`)
    await page.getByRole('tab', { name: 'Texts' }).click()
    await page.locator('[data-test="which-texts"]').selectOption('original')
    await expect(page.getByText('still says what moor.tea_cup/name does').first()).toBeVisible()

    await cell(page, 'Ebb cup', 'name', 'en').fill('Ebb cup')
    await cell(page, 'Ebb cup', 'name', 'de').fill('Ebbtasse')
    // What is right in one language stays in the list until the list is asked for anew.
    await expect(page.locator('[data-test="cells-state"]')).toHaveText('saved')
    await expect(page.locator('[data-test="which-texts"]')).toContainText('Still the original’s (2)')
    await expect(page.getByText('still says what moor.tea_cup/name does in fr')).toBeVisible()
    await cell(page, 'Ebb cup', 'name', 'fr').fill('Tasse, basse mer')
    // Enter goes on to the same language of the next.
    await cell(page, 'Ebb cup', 'about', 'en').fill('Left by the sea.')
    await cell(page, 'Ebb cup', 'about', 'en').press('Enter')
    await expect(page.locator('[data-test="cells-state"]')).toHaveText('saved')
    await expect
        .poll(async () => (await texts(page, id)).find((t) => t.key === 'saltbrook.ebb_cup/name')?.says)
        .toEqual(['Ebb cup', 'Ebbtasse', 'Tasse, basse mer'])
    await expect(page.locator('[data-test="which-texts"]')).toContainText('Still the original’s (1)')
    for (const [language, says] of Object.entries({ de: 'Vom Meer gelassen.', fr: 'Laissée par la mer.' })) {
        await cell(page, 'Ebb cup', 'about', language).fill(says)
        await cell(page, 'Ebb cup', 'about', language).press('Enter')
    }
    await expect(page.locator('[data-test="which-texts"]')).toContainText('Still the original’s (0)')
    expect((await findings(page, id)).blocker).toBe(0)

    await page.locator('[data-test="which-texts"]').selectOption('yours')
    await page.getByRole('button', { name: 'Undo' }).first().click()
    await expect(cell(page, 'Ebb cup', 'about', 'fr')).not.toHaveValue('Laissée par la mer.')
})

test('a cell that is typed into without a network is saved when it is back', async ({ page, context }) => {
    const id = await makeCup(page)
    await page.goto(`/packs/${id}/define?view=texts`)
    await expect(cell(page, 'Ebb cup', 'name', 'de')).toBeVisible()
    await context.setOffline(true)
    await cell(page, 'Ebb cup', 'name', 'de').fill('Ebbtasse')
    await page.keyboard.press('Tab')
    await expect(page.locator('[data-test="cells-state"]')).toContainText('kept in this browser')
    await context.setOffline(false)
    await expect(page.locator('[data-test="cells-state"]')).toHaveText('saved', { timeout: 30_000 })
    expect((await texts(page, id)).find((t) => t.key === 'saltbrook.ebb_cup/name')?.says[1]).toBe('Ebbtasse')
})

test('texts go out to a translator and come in again', async ({ page }) => {
    const id = await makeCup(page)
    await page.goto(`/packs/${id}/define?view=texts`)
    const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('link', { name: 'Save as CSV' }).click(),
    ])
    const out = readFileSync(await download.path(), 'utf8')
    expect(out).toContain('saltbrook.ebb_cup/name,')

    // As a spreadsheet gives it back: semicolons, a column of remarks, a key with a slip.
    await page.locator('[data-test="csv"]').setInputFiles({
        name: 'aus berlin.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(
            'key;de;Bemerkung\r\nsaltbrook.ebb_cup/name;Ebbtasse;kurz?\r\nsaltbrook.ebb_cap/about;Salz;\r\n',
        ),
    })
    const dialog = page.getByRole('dialog')
    await expect(dialog.locator('[data-test="changes"]')).toContainText('Ebbtasse')
    await expect(dialog).toContainText('there is no text “saltbrook.ebb_cap/about”; “saltbrook.ebb_cup/about” is near')
    await dialog.getByRole('button', { name: 'Take over' }).click()
    await expect(cell(page, 'Ebb cup', 'name', 'de')).toHaveValue('Ebbtasse')
    // What the table said nothing about stays.
    await expect(cell(page, 'Ebb cup', 'name', 'en')).not.toHaveValue('')
})

test('another ware takes its recipe along, and is seen beside what it was made like', async ({ page }) => {
    const id = await makeCup(page)
    await page.goto(`/packs/${id}/define?path=wares/ebb_cup/ware.json`)
    await page.getByRole('button', { name: 'Make another …' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.locator('[data-test="name"]').fill('flood_cup')
    // Nothing makes the ebb cup: there is no recipe to take along.
    await expect(dialog.locator('[data-test="plan"]')).toContainText('wares/flood_cup/ware.json')
    await expect(dialog.getByTestId('with-recipe')).toHaveCount(0)
    await page.keyboard.press('Escape')

    await page.goto(`/packs/${id}/define`)
    await page.getByRole('button', { name: 'New entry' }).click()
    await dialog.getByTestId('new-place').selectOption({ label: 'Wares' })
    await dialog.getByTestId('new-original').selectOption({ label: 'Tea cup' })
    await dialog.locator('[data-test="name"]').fill('flood_cup')
    await dialog.getByTestId('with-recipe').check()
    await expect(dialog.locator('[data-test="plan"]')).toContainText('entries/recipes/flood_cup.json')
    await dialog.getByRole('button', { name: 'Make it' }).click()
    await expect(dialog).toHaveCount(0)
    await expect(page.getByRole('heading', { name: /^Flood cup/ })).toBeFocused()
    const recipe = await page.request.get(`/api/packs/${id}/file?path=entries/recipes/flood_cup.json`)
    expect(await recipe.text()).toContain('"saltbrook.flood_cup"')

    await page.goto(`/packs/${id}/shape?path=wares/flood_cup/shelf.png`)
    await expect(page.getByRole('region', { name: 'Original, enlarged' })).toBeVisible()
    await expect(page.getByText(/^wares\/tea_cup\/shelf\.png · /)).toBeVisible()
    await page.getByRole('button', { name: 'What differs' }).click()
    await expect(page.getByRole('region', { name: 'What differs, enlarged' }).getByRole('img')).toHaveJSProperty(
        'complete',
        true,
    )
    await expect(page.getByText(/cannot be read/)).toHaveCount(0)
})

test('what is made of what shows what a recipe of the pack changes', async ({ page }) => {
    const id = await makeCup(page)
    await page.goto(`/packs/${id}/define?view=economy`)
    await expect(page.locator('[data-test="goods"]').getByRole('button', { name: /Ebb cup/ })).toContainText(
        'cannot be had',
    )
    await page.getByRole('button', { name: 'Make one of another’s' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.locator('[data-test="new-original"]').selectOption({ label: 'Tea cup' })
    await dialog.locator('[data-test="name"]').fill('ebb_cup')
    await expect(dialog.locator('[data-test="plan"]')).toContainText('entries/recipes/ebb_cup.json')
    await dialog.getByRole('button', { name: 'Make it' }).click()
    const makes = page.locator('[data-test="list"]').filter({ has: page.getByRole('heading', { name: /^Makes/ }) })
    await pick(makes.getByRole('combobox', { name: 'Ware' }), 'saltbrook.ebb_cup')
    await expect(page.locator('[data-test="save-state"]')).toHaveText('saved')

    // The same things make either cup until an amount tells them apart.
    await page.getByRole('tab', { name: 'Economy' }).click()
    const cup = page.locator('[data-test="goods"]').getByRole('button', { name: /Ebb cup/ })
    await expect(cup).toContainText('costs')
    await expect(page.getByText('The same things satisfy this recipe and “moor.tea_cup”')).toBeVisible()
    await cup.click()
    await expect(
        page.locator('[data-test="economy-section"]').getByRole('button', { name: /Updraught kiln/ }),
    ).toBeVisible()
    await page
        .locator('[data-test="economy-section"]')
        .getByRole('button', { name: /Updraught kiln/ })
        .click()
    await page.getByLabel('Amount', { exact: true }).first().fill('0.2')
    await expect(page.locator('[data-test="save-state"]')).toHaveText('saved')
    await page.getByRole('tab', { name: 'Economy' }).click()
    await expect(page.getByText('The same things satisfy')).toHaveCount(0)
})

test('an entry tells what it has from another, what it needs and who uses it, and leaves with what is its own', async ({
    page,
}) => {
    const id = await newPack(page, 'Ebb Wares')
    await page.goto(`/packs/${id}/define?path=wares/honey_pot/ware.json`)
    const madeOf = page.locator('[data-test="taken"]').filter({ hasText: 'red_clay' })
    await expect(madeOf).toContainText('from Water jug')
    await madeOf.getByRole('button', { name: 'Set here' }).click()
    await expect(page.getByRole('combobox', { name: 'Made of' })).toHaveValue('Red clay · red_clay')
    await expect(page.locator('[data-test="save-state"]')).toHaveText('saved')
    await expect(page.locator('[data-test="uses"]')).toContainText('Honey pot recipe')
    // What is changed from the base's is listed, and put back by a press.
    const changed = page.locator('[data-test="from-base"]')
    await expect(changed).toContainText('made of left out → red_clay')
    await changed.getByRole('button', { name: 'Put made of back' }).click()
    await expect(changed).toContainText('Nothing.')
    await expect(madeOf).toBeVisible()

    await page.locator('[data-test="needs"]').getByRole('button', { name: 'Milk pitcher' }).click()
    await expect(page.locator('[data-test="uses"]')).toContainText('takes over')
    await page.goBack()

    await page.goto(`/packs/${id}/define?path=wares/honey_pot/ware.json`)
    await page.getByRole('button', { name: 'Take out …' }).click()
    const dialog = page.getByRole('dialog')
    await expect(dialog.locator('[data-test="plan"]')).toContainText('the host’s own shows again')
    const removal = page.waitForResponse(/entry\/removal/)
    await dialog.locator('[data-test="remove"]').click()
    expect((await removal).ok()).toBe(true)
    await expect(dialog).toBeHidden()
    expect(await (await page.request.get(`/api/packs/${id}/entries`)).json()).toMatchObject({
        entries: [{ kind: 'manifest' }],
    })
})

test('a tower that is silent in the snow is seen on its grid and rung in every weather by a press', async ({
    page,
}) => {
    const id = await newPack(page, 'Ebb Bells')
    const tower = {
        id: 'saltbrook.ebb_tower',
        occasions: ['market_day'],
        peals: ['market_opens', 'market_closes'].map((signal) => ({
            signal,
            weather: signal === 'market_opens' ? 'any' : 'clear',
            strokes: [{ audio: 'bells/low_1', turns: 1, rest_ms: 500 }],
        })),
    }
    await page.request.put(`/api/packs/${id}/file?path=entries/towers/ebb.json`, {
        data: Buffer.from(JSON.stringify(tower, null, 2)),
        headers: { 'Content-Type': 'application/octet-stream' },
    })
    await page.goto(`/packs/${id}/define?path=entries/towers/ebb.json`)
    const grid = page.locator('[data-test="grid"]')
    await expect(grid.getByRole('row', { name: /The market closes/ })).toContainText('low_1, 1 of 1')
    await expect(grid.getByRole('button', { name: 'Add The market closes for snow' })).toBeVisible()
    await grid.getByRole('button', { name: 'In every weather' }).click()
    await expect(grid.getByRole('button', { name: 'Add The market closes for snow' })).toHaveCount(0)
    await expect(page.locator('[data-test="save-state"]')).toHaveText('saved')
    await expect
        .poll(async () => JSON.stringify(await (await page.request.get(`/api/packs/${id}/findings`)).json()))
        .not.toContain('entry/not-covered')
})

test('what is typed in an entry goes along when it is renamed or taken out at once, and comes back with an undo', async ({
    page,
}) => {
    const id = await makeCup(page)
    const entry = async (path: string) =>
        (await (await page.request.get(`/api/packs/${id}/file?path=${path}`)).text()).replaceAll(/\s/g, '')
    await page.goto(`/packs/${id}/define?path=wares/ebb_cup/ware.json`)
    await page.getByLabel('Price').fill('77')
    await page.getByRole('button', { name: 'Rename …' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.locator('[data-test="name"]').fill('low_cup')
    await dialog.getByRole('button', { name: 'Rename', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'Low cup' })).toBeVisible()
    expect(await entry('wares/low_cup/ware.json')).toContain('"price":77')

    await page.getByLabel('Price').fill('78')
    await page.getByRole('button', { name: 'Take out …' }).click()
    const removal = page.waitForResponse(/entry\/removal/)
    await dialog.locator('[data-test="remove"]').click()
    expect((await removal).ok()).toBe(true)
    await expect(dialog).toBeHidden()
    expect((await page.request.get(`/api/packs/${id}/file?path=wares/low_cup/ware.json`)).status()).toBe(404)
    await page.getByRole('button', { name: 'Undo' }).first().click()
    await expect.poll(() => entry('wares/low_cup/ware.json')).toContain('"price":78')
})

test('an entry is compared with another, and takes a value from it', async ({ page }) => {
    const id = await makeCup(page)
    await page.goto(`/packs/${id}/define?path=wares/ebb_cup/ware.json`)
    const price = page.getByRole('textbox', { name: 'Price' })
    await price.fill('4')
    const beside = page.getByTestId('compare-with')
    await beside.getByLabel('Compare it with').selectOption({ label: 'Tea cup' })
    await expect(beside).toContainText('price 5, here 4 pence better')
    await beside.getByRole('button', { name: 'Take price from it' }).click()
    await expect(price).toHaveValue('5')
    await expect(beside).not.toContainText('pence')

    // Cheaper and as good in all else, it outdoes the base's.
    await price.fill('3')
    await expect(page.getByTestId('save-state')).toHaveText('saved')
    await page.goto(`/packs/${id}/prove`)
    await expect(page.getByText(/price 3 for 5.*nobody has a reason/)).toBeVisible()
})
