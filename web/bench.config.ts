import config from './playwright.config'

// Run by bench/pages.
export default { ...config, testDir: 'bench', testMatch: '*.bench.ts', reporter: 'line', timeout: 600_000 }
