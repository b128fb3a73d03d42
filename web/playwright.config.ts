import { defineConfig } from '@playwright/test'
import { port, serverCommand, serverEnvironment } from './tests/server'

// Run by ./test e2e, which starts PostgreSQL and builds the application.
export default defineConfig({
    testDir: 'tests',
    outputDir: '../.test/playwright',
    workers: 1,
    fullyParallel: false,
    timeout: 180_000,
    expect: { timeout: 30_000 },
    reporter: 'list',
    globalSetup: './tests/setup.ts',
    use: {
        actionTimeout: 30_000,
        baseURL: `http://127.0.0.1:${port}`,
        viewport: { width: 1280, height: 800 },
        launchOptions: {
            executablePath: '/usr/bin/chromium',
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
    webServer: {
        command: serverCommand.join(' '),
        env: serverEnvironment(port, 'e2e'),
        url: `http://127.0.0.1:${port}/packs`,
        reuseExistingServer: false,
        timeout: 120_000,
    },
})
