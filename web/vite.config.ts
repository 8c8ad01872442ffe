import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

const api = `http://127.0.0.1:${process.env.EXEMPLAR_PORT ?? '4600'}`

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwindcss()],
  build: { outDir: 'dist', emptyOutDir: true, manifest: true },
  server: {
    port: 5173,
    // The server refuses writes from a foreign origin, so the proxy presents itself as the server's own address.
    proxy: { '/api': { target: api, changeOrigin: true, headers: { origin: api } } },
  },
})
