import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { fetchedFirst } from './plugins/fetchedFirst.ts'
import { libraryFolders } from './plugins/libraryFolders.ts'

/** It is one file by itself. */
const SERVICE_WORKER = /offline\/(serviceWorker|keptAnswers)/

export default defineConfig({
  plugins: [react(), tailwindcss(), libraryFolders(), fetchedFirst()],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    // The bench reads from it what a screen cannot do without.
    manifest: true,
    // Parts are fetched by fetchedFirst, which knows scripts only.
    cssCodeSplit: false,
    // Browsers that this is built for preload modules themselves.
    modulePreload: { polyfill: false },
    chunkSizeWarningLimit: 1500,
    rollupOptions: {
      input: { index: 'index.html', serviceWorker: 'src/offline/serviceWorker.ts' },
      output: {
        // What the page begins with is one file: a browser asks for each.
        codeSplitting: {
          groups: [
            { name: 'first', tags: ['$initial'], test: (id) => !SERVICE_WORKER.test(id), priority: 2 },
            // A page one works on and all it needs at once are one file more, whatever else needs parts of it.
            {
              name: 'work',
              test: /(page\/(work\/WorkingPage\.tsx|device\/(personOutbox\.ts|allArrived\.ts|KeptSign\.tsx)|copy\/useCopy\.ts)|ui\/TextButton\.tsx|useRecordingsLeft\.ts)$/,
              priority: 1,
            },
          ],
        },
        // It stands at the root: it serves every screen.
        entryFileNames: ({ name }) =>
          name === 'serviceWorker' ? 'serviceWorker.js' : 'assets/[name]-[hash].js',
      },
    },
  },
  server: {
    proxy: { '/api': 'http://127.0.0.1:4400', '/live': { target: 'http://127.0.0.1:4400', ws: true } },
  },
})
