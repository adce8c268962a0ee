import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'

const require = createRequire(import.meta.url)

/** What the QR codes on the first page of a PDF say, as a camera would read them from paper. */
export async function readCodes(pdf: Uint8Array): Promise<string[]> {
  const wasmBinary = readFileSync(require.resolve('zxing-wasm/reader/zxing_reader.wasm'))
  await prepareZXingModule({
    overrides: { wasmBinary: wasmBinary.buffer as ArrayBuffer },
    fireImmediately: true,
  })
  const folder = mkdtempSync(join(tmpdir(), 'hand-back-codes-'))
  try {
    writeFileSync(join(folder, 'slips.pdf'), pdf)
    const done = spawnSync('pdftoppm', ['-r', '120', '-png', '-singlefile', 'slips.pdf', 'page'], {
      cwd: folder,
    })
    if (done.status !== 0) throw new Error(String(done.stderr))
    const png = readFileSync(join(folder, 'page.png'))
    const found = await readBarcodes(new Blob([png]), { formats: ['QRCode'], maxNumberOfSymbols: 8 })
    return found.map(({ text }) => text)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
