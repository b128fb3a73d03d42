import { demo } from './server'
import { demoPack, findings, release, tryPack } from './pages'
import { expect, test } from './test'

test('plates of the other host get their contents, are tried and released', async ({ page }) => {
    const id = await demoPack(page, 'Northern Plates')
    await page.goto(`/packs/${id}/gather`)
    await expect(page.getByRole('heading', { name: 'Northern Plates' })).toBeVisible()
    const files = page.getByRole('region', { name: 'Files', exact: true })
    await expect(files.getByText('There is no contents.xml', { exact: false }).first()).toBeVisible()
    expect(await findings(page, id)).toMatchObject({ blocker: 1 })

    // The section has the other host's places; a click shows one of them alone.
    await page.getByRole('button', { name: /^Family pictures/ }).click()
    await expect(page).toHaveURL(/place=families/)
    await page.getByRole('button', { name: /^Family pictures/ }).click()

    // Contents come in by the tray like any other file.
    await page.locator('[data-test="add-files"]').setInputFiles([`${demo}/mended/northern-plates/contents.xml`])
    const tray = page.locator('[data-test="tray"]')
    await tray.locator('[data-test="place-sure"]').click()
    await expect(tray).toBeHidden()
    await expect.poll(async () => (await findings(page, id)).blocker).toBe(0)

    // Define shows what is no JSON as text.
    await page.getByRole('link', { name: /^Define/ }).click()
    await page.getByText('Table of contents').click()
    await expect(page.getByText('<chapter').first()).toBeVisible()

    // The trial runs in the other simulated host.
    await page.getByRole('link', { name: /^Prove/ }).click()
    await tryPack(page, 'Wrenfield')

    // Versions are whole numbers here; all entries are stored, and the plates lie in folios.
    const { name, bytes } = await release(page)
    expect(name).toBe('northern_plates-1.wrenfield')
    expect(bytes.includes(Buffer.from('folios/'))).toBe(true)
    expect(bytes.includes(Buffer.from('contents.xml'))).toBe(true)
    expect(bytes.includes(Buffer.from('plates/Ashen Brackling.png'))).toBe(true)
})
