import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import type { Plugin } from 'vite'

const require = createRequire(import.meta.url)
const PDFJS = dirname(require.resolve('pdfjs-dist/package.json'))
const MATHLIVE = join(dirname(require.resolve('mathlive')), 'fonts')

/** What libraries read while they run, by the address under which it is asked for. */
const FOLDERS: readonly (readonly [address: string, folder: string])[] = [
  // pdf.js: character maps, fonts, decoders and colour profiles.
  ...['cmaps', 'standard_fonts', 'wasm', 'iccs'].map((name) => [`pdfjs/${name}`, join(PDFJS, name)] as const),
  // The letters of the field that formulas are built in.
  ['mathlive-fonts', MATHLIVE],
]

/** Ships the folders that libraries read from: nothing is fetched from elsewhere. */
export function libraryFolders(): Plugin {
  return {
    name: 'library-folders',
    generateBundle() {
      for (const [address, folder] of FOLDERS) {
        for (const file of readdirSync(folder))
          this.emitFile({
            type: 'asset',
            fileName: `${address}/${file}`,
            source: readFileSync(join(folder, file)),
          })
      }
    },
  }
}
