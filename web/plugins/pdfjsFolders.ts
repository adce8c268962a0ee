import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import type { Plugin } from 'vite'

const FOLDERS = ['cmaps', 'standard_fonts', 'wasm', 'iccs']

/** Ships what pdf.js reads while it draws: character maps, fonts, decoders and colour profiles, under /pdfjs/. */
export function pdfjsFolders(): Plugin {
  const root = dirname(createRequire(import.meta.url).resolve('pdfjs-dist/package.json'))
  return {
    name: 'pdfjs-folders',
    generateBundle() {
      for (const folder of FOLDERS) {
        for (const file of readdirSync(join(root, folder))) {
          this.emitFile({
            type: 'asset',
            fileName: `pdfjs/${folder}/${file}`,
            source: readFileSync(join(root, folder, file)),
          })
        }
      }
    },
  }
}
