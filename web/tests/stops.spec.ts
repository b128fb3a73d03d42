import { readFileSync } from 'node:fs'
import { demo } from './server'
import { demoPack, drop, newPack, pick } from './pages'
import { expect, test } from './test'

const surface = 'art/surfaces/setts_dark.png'
const descriptor = 'art/surfaces/setts_dark.surface.json'

test('a bad archive is refused beside its name and the rest of the drop comes in', async ({ page }) => {
    await newPack(page, 'Bad Drop')
    const picture = readFileSync(`${demo}/base/kilnmoor/4.0/${surface}`)
    await drop(page, [
        { name: 'glazes.zip', bytes: 'PK\u0003\u0004 and nothing after it' },
        { name: 'nul.png', bytes: picture },
        { name: 'setts_dark.png', bytes: picture },
    ])
    const refused = page.locator('[data-test="refused"]')
    await expect(refused).toContainText('glazes.zip')
    await expect(refused).toContainText('refused whole')
    await expect(refused).toContainText('nul.png')
    const row = page.locator('[data-test="tray-row"]')
    await expect(row).toHaveCount(1)
    await row.locator('[data-test="place"]').click()
    await expect(page.locator(`[data-path="${surface}"]`)).toContainText('the same bytes as Kilnmoor’s own file')
})

test('a click in the section filters every stop to its place', async ({ page }) => {
    const id = await demoPack(page, 'Tidepool Glazes')
    await page.goto(`/packs/${id}/prove`)
    const section = page.getByRole('group', { name: 'Section of the pack' })
    await section.getByRole('button', { name: /^Skins:/ }).click()
    await expect(page.getByRole('heading', { name: 'Skins' })).toBeVisible()
    await expect(page.getByRole('heading', { name: 'Surfaces' })).toBeHidden()
    await page.getByRole('link', { name: /^Gather/ }).click()
    await expect(page).toHaveURL(/place=skins/)
    await expect(page.locator('[data-path*="skin.png"]').first()).toBeVisible()
    await page.reload()
    await expect(section.getByRole('button', { name: /^Skins:/ })).toHaveAttribute('aria-pressed', 'true')
    await expect(page.locator('[data-path*="shelf.png"]')).toHaveCount(0)
})

test('steps are added, undone, and run again on a new source', async ({ page }) => {
    const id = await newPack(page, 'Shaping')
    const source = readFileSync(`${demo}/packs/tidepool/art/surfaces/sand_rippled.png`)
    await page.request.put(`/api/packs/${id}/file?path=${surface}`, { data: source })
    await page.goto(`/packs/${id}/shape?path=${surface}`)
    await expect(page.getByRole('heading', { name: /Setts dark/ })).toBeVisible()
    await page.locator('[data-test="add-step"]').click()
    await page.getByRole('menuitem', { name: 'Fit to 64 x 64' }).click()
    await expect(page.locator('[data-test="step"]')).toContainText('Fit to 64 x 64')
    await expect(page.locator('[data-test="prove-counts"]')).toContainText('nothing found')
    await page.locator('[data-test="add-step"]').click()
    await page.getByRole('menuitem', { name: 'Enlarge by 2' }).click()
    await expect(page.locator('[data-test="step"]')).toHaveCount(2)
    await page.keyboard.press('Control+z')
    await expect(page.locator('[data-test="step"]')).toHaveCount(1)

    // One picture dropped here is a new source; the step runs again on it.
    await drop(page, [
        { name: 'new.png', bytes: readFileSync(`${demo}/base/kilnmoor/4.0/art/surfaces/clay_raked.png`) },
    ])
    await expect(page.getByText('new.png is the new source; its steps ran again.')).toBeVisible()
    await expect(page.getByRole('region', { name: 'Steps' })).toContainText('128 x 128')
    for (const view of ['What differs', 'Blink', 'Side by side']) {
        await page.getByRole('button', { name: view }).click()
        await expect(page.getByRole('button', { name: view })).toHaveAttribute('aria-pressed', 'true')
    }
    await page.getByLabel('Zoom').selectOption('16')
    await expect(page.locator('.grid-lines').first()).toBeVisible()
})

test('form and text of an entry stay in step and what is wrong is said as it is typed', async ({ page }) => {
    const id = await newPack(page, 'Defining')
    await page.request.post(`/api/packs/${id}/bring`, { data: { paths: [descriptor] } })
    await page.goto(`/packs/${id}/define?path=${descriptor}`)
    await pick(page.getByRole('combobox', { name: 'Made of' }), 'brick')
    await page.getByRole('textbox', { name: 'Rough' }).fill('7')
    await expect(page.getByRole('alert').filter({ hasText: '0 to 1' })).toBeVisible()
    await page.getByRole('tab', { name: 'Text', exact: true }).click()
    const text = page.getByRole('textbox', { name: 'The entry as text' })
    // What a code stands for is said under the mouse.
    await text.getByText('"brick"').hover()
    await expect(page.locator('.cm-help')).toContainText('brick')
    await expect(text).toContainText('"made_of": "brick"')
    await expect(text).toContainText('"rough": 7')
    await page.getByRole('tab', { name: 'Form', exact: true }).click()
    await page.getByRole('textbox', { name: 'Rough' }).fill('0.25')
    await page.locator('[data-test="save"]').click()
    await expect(page.getByText(`${descriptor} is saved.`)).toBeVisible()
    const saved = (await (await page.request.get(`/api/packs/${id}/file?path=${descriptor}`)).text()) as string
    expect(JSON.parse(saved)).toMatchObject({ made_of: 'brick', rough: 0.25 })
})

test('an entry that another page changed is not overwritten', async ({ page }) => {
    const id = await newPack(page, 'Two Writers')
    await page.request.post(`/api/packs/${id}/bring`, { data: { paths: [descriptor] } })
    await page.goto(`/packs/${id}/define?path=${descriptor}`)
    await page.getByRole('textbox', { name: 'Rough' }).fill('0.9')
    await page.request.put(`/api/packs/${id}/file?path=${descriptor}`, {
        data: '{ "made_of": "oak", "edge": "solid" }',
    })
    await expect(page.getByText('changed in another page')).toBeVisible()
    await page.locator('[data-test="save"]').click()
    await expect(page.getByRole('alert').filter({ hasText: 'Nothing was overwritten' })).toBeVisible()
    await expect(page.getByRole('textbox', { name: 'Rough' })).toHaveValue('0.9')
    // Nor is what was typed lost by leaving: it is there until one of the two is chosen.
    await page.getByRole('link', { name: /^Gather/ }).click()
    await expect(page).toHaveURL(/gather/)
    await page.goto(`/packs/${id}/define?path=${descriptor}`)
    await expect(page.getByRole('textbox', { name: 'Rough' })).toHaveValue('0.9')
    await page.getByRole('button', { name: 'Keep mine' }).click()
    await expect(page.locator('[data-test="save-state"]')).toHaveText('saved')
    const saved = await (await page.request.get(`/api/packs/${id}/file?path=${descriptor}`)).text()
    expect(JSON.parse(saved)).toMatchObject({ rough: 0.9 })
})

test('two pages on one pack show each other’s changes, and undo goes through both', async ({ page, context }) => {
    const id = await newPack(page, 'Two Pages')
    await page.goto(`/packs/${id}/gather?state=yours`)
    const other = await context.newPage()
    await other.goto(`/packs/${id}/gather?state=all&words=setts_dark`)
    await other.locator(`[data-path="${surface}"] [data-test="bring"]`).click()
    await expect(page.locator(`[data-path="${surface}"]`)).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).first().click()
    await expect(other.locator(`[data-path="${surface}"] [data-test="bring"]`)).toBeVisible()
})

test('what a list shows already is undone, though the head of the page is not there yet', async ({ page, context }) => {
    const id = await newPack(page, 'Late Head')
    await page.goto(`/packs/${id}/gather?state=yours`)
    const other = await context.newPage()
    await other.goto(`/packs/${id}/gather?state=all&words=setts_dark`)
    const bring = other.locator(`[data-path="${surface}"] [data-test="bring"]`)
    await expect(bring).toBeVisible()
    await expect(page.getByRole('heading', { name: 'Manifest' })).toBeVisible()
    await page.route(`**/api/packs/${id}`, () => undefined)
    await bring.click()
    await expect(page.locator(`[data-path="${surface}"]`)).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).first().click()
    await expect(bring).toBeVisible()
})

test('a finding is waived with a reason, comes back when withdrawn', async ({ page }) => {
    const id = await newPack(page, 'Waiving')
    await page.request.put(`/api/packs/${id}/file?path=${surface}`, {
        data: readFileSync(`${demo}/packs/tidepool/art/surfaces/sand_rippled.png`),
    })
    await page.goto(`/packs/${id}/prove`)
    await expect(page.locator('[data-test="finding"]')).toBeVisible()
    await page.keyboard.press('ArrowDown')
    await expect(page.locator(`[data-path="${surface}"]`)).toBeFocused()
    await page.keyboard.press('w')
    await page.getByPlaceholder('Why may it stay?').fill('An experiment')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Waived: “An experiment”.')).toBeVisible()
    await expect(page.locator('[data-test="prove-counts"]')).toContainText('nothing found')
    await page.getByRole('button', { name: 'Withdraw the waiver' }).click()
    await expect(page.locator('[data-test="prove-counts"]')).toContainText('1')
})

test('pages ask for nothing outside this machine and break no rule of their own', async ({ page }) => {
    const outside: string[] = []
    const problems: string[] = []
    page.on(
        'request',
        (request) => !/^(http:\/\/127\.0\.0\.1:|data:|blob:)/.test(request.url()) && outside.push(request.url()),
    )
    page.on('console', (message) => message.type() === 'error' && problems.push(message.text()))
    page.on('pageerror', (error) => problems.push(error.message))
    const id = await demoPack(page, 'Moor Paths')
    for (const at of ['gather', 'shape', 'define', 'define?tab=text', 'prove', 'prove?look=trial', 'release']) {
        await page.goto(`/packs/${id}/${at}`)
        await expect(page.getByRole('heading', { name: 'Moor Paths' })).toBeVisible()
        await page.waitForLoadState('load')
    }
    expect(outside).toEqual([])
    expect(problems).toEqual([])
})

test('the name and the number of a stop lead back to what was searched there, and once more to its beginning', async ({
    page,
}) => {
    const id = await demoPack(page, 'Tidepool Glazes')
    await page.goto(`/packs/${id}/gather`)
    const search = page.getByPlaceholder(/^Find: name/)
    await search.fill('cup')
    await expect(page).toHaveURL(/words=cup/)
    await page.getByRole('link', { name: /^Prove/ }).click()
    await expect(page).toHaveURL(/prove/)
    await page.keyboard.press('1')
    await expect(search).toHaveValue('cup')
    await page.getByRole('link', { name: /^Prove/ }).click()
    await page.getByRole('link', { name: /^Gather/ }).click()
    await expect(search).toHaveValue('cup')
    await page.getByRole('link', { name: /^Gather/ }).click()
    await expect(search).toHaveValue('')
})

test('an address of a file that is gone says so, and leads on', async ({ page }) => {
    const id = await demoPack(page, 'Tidepool Glazes')
    for (const [stop, at] of [
        ['shape', 'art/surfaces/gone.png'],
        ['define', 'wares/gone_cup/ware.json'],
    ]) {
        await page.goto(`/packs/${id}/${stop}?path=${at}`)
        await expect(page.getByTestId('gone')).toContainText(at!)
        await page.getByTestId('gone').getByRole('button').press('Enter')
        await expect(page.getByTestId('gone')).toHaveCount(0)
        await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible()
    }
})
