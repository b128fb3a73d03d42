// Takes the pictures of docs/screenshots/ from a running application with the demo data: node scripts/screenshots.mjs URL FOLDER TRAY
import { chromium } from '@playwright/test'

const [url, folder, tray] = process.argv.slice(2)
const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    reducedMotion: 'reduce',
})

const packs = await (await page.request.get(`${url}/api/packs`)).json()
const idOf = (title) => packs.find((pack) => pack.about && pack.summary.title === title).id
const [tidepool, moorpaths, plates] = [idOf('Tidepool Glazes'), idOf('Moor Paths'), idOf('Northern Plates')]

/** Waits until nothing is being fetched and every picture in view is drawn. */
async function settle() {
    await page.waitForFunction(
        () =>
            !document.body.innerText.includes('Fetching …') &&
            [...document.images]
                .filter(
                    (i) => i.getBoundingClientRect().top < innerHeight && i.getBoundingClientRect().left < innerWidth,
                )
                .every((i) => i.complete),
    )
    await page.evaluate(() => document.fonts.ready)
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
}

async function take(name, address, act) {
    await page.goto(`${url}${address}`)
    await page.getByRole('heading').first().waitFor()
    await settle()
    if (act) await act()
    await settle()
    await page.screenshot({ path: `${folder}/${name}.png` })
}

await take('packs', '/packs')
await take('hosts', '/hosts/kilnmoor')
await take('shape', `/packs/${tidepool}/shape?path=wares/water_jug/shelf.png`, async () => {
    await page.locator('[data-test="add-step"]').click()
    await page.getByRole('menuitem', { name: 'Spread colours under clear pixels' }).click()
    await page.locator('[data-test="step"]').waitFor()
    await page.getByRole('button', { name: 'Close' }).click()
})
await page.request.post(`${url}/api/packs/${tidepool}/undo`)
await take('define', `/packs/${tidepool}/define?path=wares/milk_pitcher/ware.json`, () =>
    page.getByRole('textbox', { name: 'Price' }).focus(),
)
await take('define-tower', `/packs/${tidepool}/define?path=entries/towers/quay.json`)
await take('define-script', `/packs/${tidepool}/define?view=script`)
await take('define-texts', `/packs/${tidepool}/define?view=texts`)
await take('define-economy', `/packs/${tidepool}/define?view=economy&goods=all&good=wares:moor.water_jug`)
const water = 'audio/ambience/quay_water.wav'
await page.request.put(`${url}/api/packs/${tidepool}/sound/steps`, {
    data: {
        path: water,
        steps: [
            { do: 'cut', from_ms: 0, to_ms: 2400 },
            { do: 'fade', in_ms: 40, out_ms: 60 },
        ],
    },
})
await page.request.put(`${url}/api/packs/${tidepool}/sound/loop`, { data: { path: water, from: 9600, to: 64000 } })
await take('shape-sound', `/packs/${tidepool}/shape?path=${water}`, async () => {
    for (const [end, value] of [
        ['from', '0.9'],
        ['to', '1.4'],
    ]) {
        await page.getByLabel(`Part ${end}, seconds`).fill(value)
        await page.getByLabel(`Part ${end}, seconds`).press('Tab')
    }
})
for (let changes = 0; changes < 2; changes++) await page.request.post(`${url}/api/packs/${tidepool}/undo`)
await take('prove', `/packs/${tidepool}/prove`)
await take('gather-wrenfield', `/packs/${plates}/gather`)
await take('release', `/packs/${moorpaths}/release`)
await take('trial', `/packs/${tidepool}/prove?look=trial`, async () => {
    await page.locator('[data-test="run-trial"]').click()
    await page.locator('[data-test="trial-summary"]').waitFor({ timeout: 60_000 })
})
await take('gather', `/packs/${tidepool}/gather`, async () => {
    await page.locator('[data-test="add-folder"]').setInputFiles(tray)
    await page.locator('[data-test="tray-row"]').first().waitFor()
    await page.getByRole('button', { name: 'Close' }).click()
})
await page.request.post(`${url}/api/packs/${tidepool}/undo`)
await take('selection', `/packs/${tidepool}/gather?place=surfaces`, async () => {
    const rows = page.locator('[data-path]')
    await rows.nth(0).click({ modifiers: ['Control'], position: { x: 420, y: 8 } })
    await rows.nth(3).click({ modifiers: ['Shift'], position: { x: 420, y: 8 } })
})
await page.setViewportSize({ width: 900, height: 800 })
await take('gather-900', `/packs/${tidepool}/gather`)
await page.setViewportSize({ width: 1280, height: 800 })

await page.emulateMedia({ colorScheme: 'dark' })
await take('prove-dark', `/packs/${tidepool}/prove?place=shelf`)
await browser.close()
