import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { expect, type Locator, type Page } from '@playwright/test'
import { chromium } from './server'

/** A browser with a microphone that beeps, and which plays unasked. */
export const withMicrophone = {
    permissions: ['microphone'],
    launchOptions: {
        executablePath: chromium,
        args: [
            '--no-sandbox',
            '--disable-gpu',
            '--use-fake-device-for-media-stream',
            '--use-fake-ui-for-media-stream',
            '--autoplay-policy=no-user-gesture-required',
        ],
    },
}

/** A browser with a microphone that hears a sound over and over, and which plays unasked. */
export const withMicrophoneOf = (sound: string) => ({
    ...withMicrophone,
    launchOptions: {
        ...withMicrophone.launchOptions,
        args: [...withMicrophone.launchOptions.args, `--use-file-for-fake-audio-capture=${sound}`],
    },
})

/** Begins a new pack, shows it in the browser and gives its id. */
export async function newPack(page: Page, title: string): Promise<string> {
    const made = await page.request.post('/api/packs', {
        data: { title, host: 'kilnmoor', edition: '4.0', prefix: 'saltbrook', author: 'Tove Salter' },
    })
    const { id } = (await made.json()) as { id: string }
    await page.goto(`/packs/${id}/gather`)
    await expect(page.getByRole('heading', { name: title })).toBeVisible()
    return id
}

/** Chooses one of many in a field: what is typed of it leaves it, and Enter takes it. */
export async function pick(field: Locator, value: string): Promise<void> {
    await field.fill(value)
    await field.page().locator(`[role="option"][data-value="${value}"]`).click()
}

export const packId = (page: Page) => /packs\/([0-9a-f-]{36})/.exec(page.url())![1]!

/** The id of a demo pack. */
export async function demoPack(page: Page, title: string): Promise<string> {
    const packs = (await (await page.request.get('/api/packs')).json()) as {
        id: string
        about: string | null
        summary: { title: string }
    }[]
    return packs.find((pack) => pack.about && pack.summary.title === title)!.id
}

/** Drops files on the page as a file manager does. */
export async function drop(page: Page, files: { name: string; bytes: Buffer | string }[]): Promise<void> {
    const transfer = await page.evaluateHandle(
        (items) => {
            const data = new DataTransfer()
            for (const { name, base64 } of items) {
                const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))
                data.items.add(new File([bytes], name))
            }
            return data
        },
        files.map(({ name, bytes }) => ({ name, base64: Buffer.from(bytes).toString('base64') })),
    )
    await page.dispatchEvent('body', 'dragenter', { dataTransfer: transfer })
    await page.dispatchEvent('body', 'drop', { dataTransfer: transfer })
}

export const findings = async (page: Page, id: string) =>
    (
        (await (await page.request.get(`/api/packs/${id}/findings`)).json()) as {
            counts: { blocker: number; warning: number }
        }
    ).counts

/** Tries the pack in the simulated host, of Prove's page; all of it has to be right. */
export async function tryPack(page: Page, host: string): Promise<void> {
    await page.locator('[data-test="look-trial"]').click()
    await expect(page.locator('[data-test="run-trial"]')).toContainText(host)
    await page.locator('[data-test="run-trial"]').click()
    await expect(page.locator('[data-test="trial-summary"]')).toContainText('Everything is right.', { timeout: 60_000 })
}

/** Builds a first release as drafted and downloads it; its hash is the one that is shown. */
export async function release(page: Page): Promise<{ name: string; bytes: Buffer }> {
    await page.getByRole('link', { name: /^Release/ }).click()
    await page.locator('[data-test="build"]').click()
    const built = page.locator('[data-test="release"]')
    await expect(built).toBeVisible({ timeout: 60_000 })
    const [download] = await Promise.all([
        page.waitForEvent('download'),
        built.locator('[data-test="download"]').click(),
    ])
    const bytes = readFileSync(await download.path())
    expect(await built.locator('[data-test="sha256"]').textContent()).toContain(
        createHash('sha256').update(bytes).digest('hex'),
    )
    return { name: download.suggestedFilename(), bytes }
}
