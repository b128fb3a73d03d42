import { defineConfig } from '@playwright/test'
import { chromium } from './tests/server'

// Those that kill servers and databases, or start the whole application: nothing else is to run beside them.
const alone = ['killed.spec.ts', 'database.spec.ts', 'start.spec.ts']

// Run by ./test e2e, which starts PostgreSQL and builds the application. Each worker has a server of its own (tests/test.ts).
export default defineConfig({
    testDir: 'tests',
    outputDir: '../.test/playwright',
    workers: 2,
    fullyParallel: false,
    timeout: 180_000,
    expect: { timeout: 30_000 },
    reporter: 'list',
    globalSetup: './tests/setup.ts',
    projects: [
        { name: 'together', testIgnore: alone },
        { name: 'alone', testMatch: alone },
    ],
    use: {
        actionTimeout: 30_000,
        viewport: { width: 1280, height: 800 },
        launchOptions: {
            executablePath: chromium,
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
            ],
        },
        testIdAttribute: 'data-test',
        trace: 'off',
    },
})
