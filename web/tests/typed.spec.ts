import type { Page } from '@playwright/test'
import { demoPack, newPack } from './pages'
import { OwnServer } from './server'
import { expect, test } from './test'

const first = 'art/surfaces/setts_dark.surface.json'
const second = 'art/surfaces/setts_pale.surface.json'
const rough = (page: Page) => page.getByRole('textbox', { name: 'Rough' })
const state = (page: Page) => page.locator('[data-test="save-state"]')

async function withEntries(page: Page, title: string): Promise<string> {
    const id = await newPack(page, title)
    await page.request.post(`/api/packs/${id}/bring`, { data: { paths: [first, second] } })
    return id
}

const textOf = async (page: Page, id: string, path: string, url = '') =>
    (await page.request.get(`${url}/api/packs/${id}/file?path=${path}`)).text()

test('what is typed in an entry is saved by itself, and when the author goes to another', async ({ page }) => {
    const id = await withEntries(page, 'Typing')
    await page.goto(`/packs/${id}/define?path=${first}`)
    await rough(page).fill('0.31')
    await expect(state(page)).toHaveText('saved')
    expect(await textOf(page, id, first)).toContain('0.31')

    for (const [number, go] of [
        ['0.32', () => page.getByRole('button', { name: /Setts pale/ }).click()],
        [
            '0.33',
            () =>
                page
                    .locator('h2')
                    .first()
                    .click()
                    .then(() => page.keyboard.press('ArrowDown')),
        ],
        ['0.34', () => page.getByRole('link', { name: /^Release/ }).click()],
        ['0.35', () => page.goBack()],
    ] as const) {
        await page.goto(`/packs/${id}/gather`)
        await page.goto(`/packs/${id}/define?path=${first}`)
        await rough(page).fill(number)
        await go()
        await expect.poll(() => textOf(page, id, first)).toContain(number)
        await page.goto(`/packs/${id}/define?path=${first}`)
        await expect(rough(page)).toHaveValue(number)
        await expect(page.getByText('changed in another page')).toHaveCount(0)
    }
})

test('what is not sound is kept, over a reload too, and saved as it is when the author leaves', async ({ page }) => {
    const id = await withEntries(page, 'Unsound')
    await page.goto(`/packs/${id}/define?path=${first}`)
    await rough(page).fill('7')
    await expect(state(page)).toContainText('when it is sound')
    expect(await textOf(page, id, first)).not.toContain('7')
    await page.reload()
    await expect(rough(page)).toHaveValue('7')
    await page.getByRole('link', { name: /^Gather/ }).click()
    await expect.poll(() => textOf(page, id, first)).toContain('7')
})

test('an undo takes back what is typed before any change of the pack, and it can be put back', async ({ page }) => {
    const id = await withEntries(page, 'Undone')
    await page.goto(`/packs/${id}/define?path=${first}`)
    const before = await rough(page).inputValue()
    await rough(page).fill('0.31')
    await expect(state(page)).toHaveText('saved')
    // What is not sound is not in the pack: the change before it is not what was done last.
    await rough(page).fill('7')
    await expect(state(page)).toContainText('when it is sound')
    const undo = page.getByRole('button', { name: 'Undo', exact: true }).first()
    await expect(undo).toHaveAttribute('title', /what you typed in/)
    await undo.click()
    await expect(rough(page)).toHaveValue('0.31')
    await expect(page.getByText('What you typed in Setts dark is taken back.')).toBeVisible()
    expect(await textOf(page, id, first)).toContain('0.31')
    await page.getByRole('button', { name: 'Put it back' }).click()
    await expect(rough(page)).toHaveValue('7')
    // By key, where the focus is in no field.
    await page.locator('h2').first().click()
    await page.keyboard.press('Control+z')
    await expect(rough(page)).toHaveValue('0.31')
    await page.keyboard.press('Control+z')
    await expect(rough(page)).toHaveValue(before)
})

test('without a network what is typed is kept, the page says so at once, and it is saved when the network is back', async ({
    page,
    context,
}) => {
    const id = await withEntries(page, 'Offline')
    await page.goto(`/packs/${id}/define?path=${first}`)
    await expect(rough(page)).toBeVisible()
    await context.setOffline(true)
    await rough(page).fill('0.41')
    await expect(state(page)).toContainText('kept in this browser')
    await page.keyboard.press('Control+s')
    await expect(rough(page)).toHaveValue('0.41')
    await context.setOffline(false)
    await expect(state(page)).toHaveText('saved')
    expect(await textOf(page, id, first)).toContain('0.41')
})

test('a server that is killed and comes back while one types gets all of it without a press', async ({ page }) => {
    const server = await OwnServer.with('typed')
    await server.start()
    try {
        const made = await page.request.post(`${server.url}/api/packs`, {
            data: { title: 'Killed', host: 'kilnmoor', edition: '4.0', prefix: 'killed', author: 'Tove Salter' },
        })
        const { id } = (await made.json()) as { id: string }
        await page.request.post(`${server.url}/api/packs/${id}/bring`, { data: { paths: [first, second] } })
        await page.goto(`${server.url}/packs/${id}/define?path=${first}`)
        await expect(rough(page)).toBeVisible()
        await server.kill()
        await rough(page).fill('0.51')
        await expect(state(page)).toContainText('kept in this browser')
        // Another entry cannot be fetched now; what was typed here waits.
        await page.getByRole('button', { name: /Setts pale/ }).click()
        await server.start()
        await expect.poll(() => textOf(page, id, first, server.url), { timeout: 30_000 }).toContain('0.51')
        await page.goto(`${server.url}/packs/${id}/define?path=${first}`)
        await expect(rough(page)).toHaveValue('0.51')
    } finally {
        await server.kill()
    }
})

test('two pages that change one entry are told of each other, and each keeps what was typed in it', async ({
    page,
    context,
}) => {
    const id = await withEntries(page, 'Two pages')
    const other = await context.newPage()
    for (const one of [page, other]) await one.goto(`/packs/${id}/define?path=${first}`)
    // Unsound, so that it is not saved yet.
    await rough(page).fill('7')
    await rough(other).fill('0.61')
    await expect(page.getByRole('alert').filter({ hasText: 'changed in another page' })).toBeVisible()
    await expect(rough(page)).toHaveValue('7')
    await rough(page).fill('0.62')
    await page.getByRole('button', { name: 'Keep mine' }).click()
    await expect.poll(() => textOf(page, id, first)).toContain('0.62')
    await expect(rough(other)).toHaveValue('0.62')
})

test('notes and version of a release stay while one looks elsewhere, and go with the release', async ({ page }) => {
    const id = await newPack(page, 'Notes')
    await page.request.post(`/api/packs/${id}/bring`, { data: { paths: ['art/surfaces/setts_dark.png'] } })
    await page.goto(`/packs/${id}/release`)
    const notes = page.getByLabel('Notes')
    await notes.fill('')
    await notes.fill('Darker setts for the quay.')
    await page.getByLabel('Version').fill('1.4.0')
    await page.getByRole('link', { name: /^Prove/ }).click()
    await page.getByRole('link', { name: /^Release/ }).click()
    await expect(notes).toHaveValue('Darker setts for the quay.')
    await page.reload()
    await expect(notes).toHaveValue('Darker setts for the quay.')
    await expect(page.getByLabel('Version')).toHaveValue('1.4.0')
    await page.locator('[data-test="build"]').click()
    await expect(page.locator('[data-test="release"]')).toContainText('Darker setts for the quay.', { timeout: 60_000 })
    await expect(notes).not.toHaveValue('Darker setts for the quay.')
})

test('a reason is asked for with the focus in its field, by mouse and key, and runs no shortcuts', async ({ page }) => {
    const id = await demoPack(page, 'Tidepool Glazes')
    await page.goto(`/packs/${id}/prove`)
    const finding = page.locator('[data-test="finding"]').first()
    const reason = finding.getByPlaceholder('Why may it stay?')
    for (const open of [
        () => finding.locator('[data-test="waive"]').click(),
        () => finding.locator('[data-test="waive"]').press('Enter'),
    ]) {
        await open()
        await expect(reason).toBeFocused()
        await page.keyboard.type('the grass ? /')
        await expect(reason).toHaveValue('the grass ? /')
        await expect(page).toHaveURL(/prove/)
        await expect(page.getByRole('dialog')).toHaveCount(0)
        // Not now: it is there again when it is asked for again.
        await page.keyboard.press('Escape')
        await expect(finding.locator('[data-test="waive"]')).toBeFocused()
        await finding.locator('[data-test="waive"]').click()
        await expect(reason).toHaveValue('the grass ? /')
        await reason.fill('')
        await page.keyboard.press('Escape')
    }
})
