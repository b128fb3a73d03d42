import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

// What the pages compute, without a browser; what they do in one is in tests/.
export default defineConfig({
    resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
    test: { include: ['unit/**/*.test.ts'], environment: 'node', setupFiles: ['unit/setup.ts'] },
})
