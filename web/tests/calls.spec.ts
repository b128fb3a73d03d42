import { readFileSync, readdirSync } from 'node:fs'
import { zip } from './large-pack'
import { listen, peak } from './listening'
import { tryPack, withMicrophoneOf } from './pages'
import { demo } from './server'
import { expect, test } from './test'

/** A call of the guide, from a microphone that hears a bird all along: how loud it is does not hang on how often it is heard. */

test.use(withMicrophoneOf(`${demo}/packs/northern-plates/calls/infen/1.wav`))

test('a call of the other host is recorded, finds its bird, and is right as Opus', async ({ page }) => {
    test.setTimeout(180_000)
    await page.addInitScript(listen)
    // A guide of its own, since others begin with the demo's.
    const folder = `${demo}/packs/northern-plates`
    const files = readdirSync(folder, { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile())
        .map((entry) => `${entry.parentPath}/${entry.name}`)
        .map((path) => ({ name: path.slice(folder.length + 1), bytes: readFileSync(path) }))
    const made = await page.request.post('/api/packs/import', {
        multipart: { files: { name: 'calls.wrenfield', mimeType: 'application/zip', buffer: zip(files) } },
    })
    const { id } = (await made.json()) as { id: string }
    await page.goto(`/packs/${id}/gather`)
    await page.getByTestId('record-new').click()
    await page.getByTestId('recording-name').fill('Ashen Brackling')
    await page.getByTestId('record').click()
    await expect(page.getByTestId('recorder-state')).toContainText(/^[4-9]\.\d s/, { timeout: 20_000 })
    await page.getByTestId('record').click()
    // What does not come in is not lost.
    await page.context().setOffline(true)
    await page.getByTestId('use-take-1').click()
    await expect(page.getByTestId('take-failed')).toBeVisible()
    await page.context().setOffline(false)
    await page.getByTestId('use-take-1').click()
    await expect(page.getByRole('dialog')).toHaveCount(0)

    // The tray knows the bird; as Opus it is a fifth as long.
    const tray = page.getByTestId('tray')
    await expect(tray).toContainText('calls/ashbr/1.wav')
    await tray.getByTestId('target').first().selectOption('calls/ashbr/1.opus')
    await tray.getByTestId('place').first().click()
    await expect(tray).toBeHidden()

    await page.goto(`/packs/${id}/shape?path=calls/ashbr/1.opus`)
    await expect(page.getByTestId('step')).toContainText('Bring it to -20.0 LUFS')
    await page.getByTestId('play-yours').click()
    await expect.poll(() => page.evaluate(peak), { timeout: 10_000 }).toBeGreaterThan(0.01)
    await page.keyboard.press('p')
    await page.getByText('Forms in which it is played').click()
    await expect(page.getByTestId('forms')).toContainText('as it is')
    await expect(page.getByTestId('forms')).toContainText('under another ending')
    const told = (await (await page.request.get(`/api/packs/${id}/findings`)).json()) as {
        rows: { name: { path: string } }[]
    }
    expect(told.rows.filter(({ name }) => name.path.startsWith('calls/ashbr'))).toEqual([])

    // With its contents the whole guide is right, the new call among the rest.
    await page.goto(`/packs/${id}/gather`)
    await page.getByTestId('add-files').setInputFiles([`${demo}/mended/northern-plates/contents.xml`])
    await tray.getByTestId('place-sure').click()
    await expect(tray).toBeHidden()
    await page.goto(`/packs/${id}/prove`)
    await tryPack(page, 'Wrenfield')
})
