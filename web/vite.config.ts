import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { pdfjsFolders } from './plugins/pdfjsFolders.ts'

export default defineConfig({
  plugins: [react(), tailwindcss(), pdfjsFolders()],
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 1500 },
  server: {
    proxy: { '/api': 'http://127.0.0.1:4400', '/live': { target: 'http://127.0.0.1:4400', ws: true } },
  },
})
