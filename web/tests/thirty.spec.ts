import type { Page } from '@playwright/test'
import { findings, newPack, pick, release, tryPack } from './pages'
import { expect, test } from './test'

/** A pack of thirty entries from an empty one, by presses alone: glazes, wares that wear them, and recipes that make those. */

const names = ['kelp', 'ebb', 'neap', 'flood', 'wrack', 'gull', 'dune', 'reed', 'tern', 'skerry']
const originals = ['tea_cup', 'broth_bowl', 'bread_plate', 'ale_beaker', 'oil_jar']

async function make(page: Page, place: string, original: string, name: string) {
    await page.getByTestId('new-entry').click()
    await page.getByTestId('new-place').selectOption(place)
    if (original) await page.getByTestId('new-original').selectOption(original)
    await page.getByTestId('name').fill(name)
    await page.getByRole('button', { name: 'Make it' }).click()
    await expect(page.getByRole('dialog')).toHaveCount(0)
}

test('thirty entries are made from scratch, named, and right in the host', async ({ page }) => {
    test.setTimeout(300_000)
    const id = await newPack(page, 'Thirty Wares')
    await page.getByRole('link', { name: /^Define/ }).click()
    for (const name of names) await make(page, 'glazes', '', `${name}_glaze`)
    for (const [index, name] of names.entries()) {
        await make(page, 'wares', `wares/${originals[index % originals.length]}/ware.json`, `${name}_ware`)
        await pick(page.getByRole('combobox', { name: 'Glaze' }), `saltbrook.${name}_glaze`)
        await page.keyboard.press('Control+s')
        await expect(page.getByTestId('save-state')).toHaveText('saved')
    }

    // What nothing makes yet gets its recipe, all at once.
    await page.getByRole('link', { name: /^Prove/ }).click()
    await expect(
        page.getByText('No recipe makes this ware entry, so players can never have one.').first(),
    ).toBeVisible()
    await page.keyboard.press('Control+a')
    await page.getByRole('button', { name: 'Accept 10 offers' }).click()
    await expect(page.getByText(/No recipe makes/)).toHaveCount(0)

    // What still says what its original does is written anew in each language; Enter goes on.
    await page.goto(`/packs/${id}/define?view=texts&texts=original`)
    await expect(page.getByTestId('which-texts')).toContainText('Still the original’s (20)')
    for (let row = 0; row < 20; row++) {
        const cells = ['Of the shore', 'Vom Strand', 'Du rivage'].map((says, column) => ({
            cell: page.locator(`input[data-cell="${row} ${column}"]`),
            says: `${says}, ${row}`,
        }))
        for (const { cell, says } of cells) await cell.fill(says)
        await cells.at(-1)!.cell.press('Enter')
        // The focus goes with the next frame, and what is typed goes where the focus is.
        if (row < 19) await expect(page.locator(`input[data-cell="${row + 1} 2"]`)).toBeFocused()
    }
    await expect(page.getByTestId('cells-state')).toHaveText('saved')
    await expect(page.getByTestId('which-texts')).toContainText('Still the original’s (0)')

    const list = (await (await page.request.get(`/api/packs/${id}/entries`)).json()) as {
        entries: { place: string; isAccepted: boolean }[]
    }
    const own = list.entries.filter(({ place }) => ['glazes', 'wares', 'recipes'].includes(place))
    expect(own).toHaveLength(30)
    expect(own.filter(({ isAccepted }) => !isAccepted)).toEqual([])
    expect((await findings(page, id)).blocker).toBe(0)
    await page.goto(`/packs/${id}/prove`)
    await tryPack(page, 'Kilnmoor')
    expect((await release(page)).bytes.length).toBeGreaterThan(10_000)
})
