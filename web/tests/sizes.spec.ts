import type { Page } from '@playwright/test'
import { demoPack } from './pages'
import { expect, test } from './test'

const stops = [
    'gather',
    'gather?state=all',
    'shape',
    'define',
    'define?tab=text',
    'prove',
    'prove?look=trial',
    'release',
]

/** What reaches beyond the right edge and cannot be scrolled to. */
const overflowing = (page: Page) =>
    page.evaluate(() => {
        const width = document.documentElement.clientWidth
        const isHeld = (element: Element | null): boolean =>
            element !== null &&
            ((getComputedStyle(element).overflowX !== 'visible' &&
                element.getBoundingClientRect().right <= width + 1) ||
                isHeld(element.parentElement))
        return [...document.querySelectorAll('body *')]
            .filter((e) => e.getBoundingClientRect().width > 0 && e.getBoundingClientRect().right > width + 1)
            .filter((e) => !isHeld(e.parentElement))
            .map((e) => `${e.tagName} ${e.textContent?.trim().slice(0, 40)}`)
    })

/** Pairs of words of the stops' line that lie on each other. */
const overlapping = (page: Page) =>
    page.evaluate(() => {
        const line = document.querySelector('nav[aria-label="Stops"]')!.parentElement!
        const boxes = [...line.querySelectorAll('a, button')].map((e) => ({
            text: e.textContent!.trim(),
            box: e.getBoundingClientRect(),
        }))
        return boxes.flatMap((a, i) =>
            boxes
                .slice(i + 1)
                .filter(
                    (b) =>
                        a.box.left < b.box.right - 1 &&
                        b.box.left < a.box.right - 1 &&
                        a.box.top < b.box.bottom - 1 &&
                        b.box.top < a.box.bottom - 1,
                )
                .map((b) => `${a.text} / ${b.text}`),
        )
    })

for (const width of [1280, 900, 390])
    test(`nothing overflows sideways or lies on another at ${width} pixels`, async ({ page }) => {
        await page.setViewportSize({ width, height: 800 })
        const id = await demoPack(page, 'Tidepool Glazes')
        for (const view of ['/packs', '/hosts/kilnmoor', ...stops.map((stop) => `/packs/${id}/${stop}`)]) {
            await page.goto(view)
            await expect(page.getByRole('heading').first()).toBeVisible()
            await expect(page.getByText('Fetching …')).toHaveCount(0)
            expect(await overflowing(page), view).toEqual([])
            if (view.includes(id)) expect(await overlapping(page), view).toEqual([])
        }
    })

test('at 900 pixels what the base has is still beside the field', async ({ page }) => {
    await page.setViewportSize({ width: 900, height: 800 })
    const id = await demoPack(page, 'Tidepool Glazes')
    await page.goto(`/packs/${id}/define?path=art/surfaces/saltbrook_kelp.surface.json`)
    await expect(page.getByRole('complementary', { name: 'Beside it' })).toBeVisible()
})

test('on a telephone one looks, waives and tries', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 800 })
    const id = await demoPack(page, 'Tidepool Glazes')
    await page.goto(`/packs/${id}/prove?severity=note`)
    const note = page.locator('[data-test="finding"]').first()
    await note.locator('[data-test="waive"]').click()
    await page.keyboard.type('Seen on the way')
    await note.getByRole('button', { name: 'Waive', exact: true }).click()
    await expect(page.getByText('Waived.', { exact: false }).first()).toBeVisible()
    await page.request.post(`/api/packs/${id}/undo`, { data: {} })
    await page.getByRole('button', { name: 'Trial' }).click()
    await page.locator('[data-test="run-trial"]').click()
    await expect(page.locator('[data-test="wrong"]').first()).toBeVisible({ timeout: 60_000 })
})
