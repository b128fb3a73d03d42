import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { demoPack } from './pages'

const views = [
    'packs',
    'hosts',
    'gather?state=all',
    'shape',
    'define',
    'define?tab=text',
    'prove',
    'prove?look=trial',
    'release',
]

for (const theme of ['light', 'dark'] as const) {
    test(`nothing serious is wrong with any view, ${theme}`, async ({ page }) => {
        await page.emulateMedia({ colorScheme: theme, reducedMotion: 'reduce' })
        const id = await demoPack(page, 'Tidepool Glazes')
        for (const view of views) {
            await page.goto(view === 'packs' || view === 'hosts' ? `/${view}` : `/packs/${id}/${view}`)
            await expect(page.getByRole('heading').first()).toBeVisible()
            await expect(page.getByText('Fetching …')).toHaveCount(0)
            const { violations } = await new AxeBuilder({ page })
                .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
                .analyze()
            const told = violations.map(
                (v) =>
                    `${view} ${v.id}: ${v.nodes
                        .map((n) => n.target.join(' '))
                        .slice(0, 4)
                        .join(' | ')}`,
            )
            expect(told).toEqual([])
        }
    })
}
