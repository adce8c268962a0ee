import { cpSync, existsSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { build, type Plugin } from 'esbuild'
import { filesIn, newestOf } from './newest.ts'
import { PROJECT } from './project.ts'

const SOURCES = join(PROJECT, 'server/src')
const CORE = join(PROJECT, 'core/src')

/** Where the server lies as plain JavaScript, and what of it node runs. */
export const SERVER_BUILT = join(PROJECT, 'server/dist')
export const SERVER_MAIN = join(SERVER_BUILT, 'main.js')

/**
 * Turns the server into plain JavaScript when a source is newer than what was built: every file for itself and
 * under its own name, core as one. Reading TypeScript anew at every start, and again in every process that does
 * long work, took longer than all else that a start does.
 */
export async function buildServer(): Promise<void> {
  const newest = newestOf([SOURCES, CORE], [import.meta.filename, join(PROJECT, 'package-lock.json')])
  if (existsSync(SERVER_MAIN) && statSync(SERVER_MAIN).mtimeMs > newest) return
  // Beside, then in one step at its place: a server that runs never finds half of it.
  const beside = `${SERVER_BUILT}.${process.pid}`
  const files = filesIn(SOURCES).filter((file) => /\.(ts|mjs)$/.test(file) && !file.endsWith('.test.ts'))
  const common = {
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'linked',
  } as const
  await build({
    ...common,
    entryPoints: [join(CORE, 'index.ts')],
    outfile: join(beside, 'core.js'),
    packages: 'external',
  })
  await build({ ...common, entryPoints: files, outbase: SOURCES, outdir: beside, plugins: [eachForItself] })
  cpSync(join(SOURCES, 'db/migrations'), join(beside, 'db/migrations'), { recursive: true })
  putInPlace(beside)
}

/** Puts what was built where it belongs. Two who build at once each put a whole one there, and the last one stays. */
function putInPlace(built: string): void {
  const before = `${built}.before`
  for (;;) {
    try {
      if (existsSync(SERVER_BUILT)) renameSync(SERVER_BUILT, before)
      renameSync(built, SERVER_BUILT)
      break
    } catch (error) {
      // Another one put theirs there, or took it away, in between.
      if (!['ENOENT', 'ENOTEMPTY', 'EEXIST'].includes((error as { code?: string }).code ?? '')) throw error
      rmSync(before, { recursive: true, force: true })
    }
  }
  rmSync(before, { recursive: true, force: true })
}

const TYPESCRIPT = /\.(ts|mjs)$/

/** Leaves every import where it is, and lets it name what the file becomes. */
const eachForItself: Plugin = {
  name: 'each-for-itself',
  setup(steps) {
    steps.onResolve({ filter: /.*/ }, ({ path, kind, importer }) => {
      if (kind === 'entry-point') return undefined
      if (path === '@hand-back/core') {
        const there = relative(dirname(importer), join(SOURCES, 'core.js'))
        return { path: there.startsWith('.') ? there : `./${there}`, external: true }
      }
      return { path: path.startsWith('.') ? path.replace(TYPESCRIPT, '.js') : path, external: true }
    })
    // Work for another process is named by its file: new URL('./draw.ts', import.meta.url).
    steps.onLoad({ filter: /\.ts$/ }, ({ path }) => ({
      contents: readFileSync(path, 'utf8').replace(
        /new URL\('(\.[^']+)\.(?:ts|mjs)', import\.meta\.url\)/g,
        "new URL('$1.js', import.meta.url)",
      ),
      loader: 'ts',
    }))
  },
}
