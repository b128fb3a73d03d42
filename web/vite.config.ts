import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
    plugins: [vue(), tailwindcss()],
    resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
    build: { chunkSizeWarningLimit: 900 },
    server: { proxy: { '/api': `http://127.0.0.1:${process.env.UNDERLAY_PORT ?? 5170}` } },
})
