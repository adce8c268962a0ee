import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { answersFigures } from './bench/answers.ts'
import { exactFigures } from './bench/exact.ts'
import { type Figure, say } from './bench/figure.ts'
import { filmFigures } from './bench/film.ts'
import { flattenFigures } from './bench/flattening.ts'
import { handoutFigures } from './bench/handouts.ts'
import { hostileFigures } from './bench/hostile.ts'
import { inkFigures } from './bench/ink.ts'
import { keepingFigures } from './bench/keeping.ts'
import { markingFigures } from './bench/marking.ts'
import { pageFigures } from './bench/page.ts'
import { parcelFigures } from './bench/parcels.ts'
import { preparingFigures } from './bench/preparing.ts'
import { roomFigures } from './bench/room.ts'
import { sharingFigures } from './bench/sharing.ts'
import { slowFigures } from './bench/slow.ts'
import { soundFigures } from './bench/sound.ts'
import { writingFigures } from './bench/writing.ts'
import { buildWeb } from './setup/buildWeb.ts'
import { startCluster } from './setup/cluster.ts'

/** `npm run bench`: the speed figures, each beside its reference of the same run. Words choose by part. */
export async function run(options: readonly string[]): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'hand-back-bench-'))
  spawnSync('chmod', ['755', folder])
  // With every care for power cuts: durability is what is measured.
  const cluster = await startCluster(folder, { settings: ['max_connections=100'], makesDatabases: true })
  process.once('exit', () => {
    cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  })
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => process.exit(1))
  buildWeb()
  const parts: Record<string, () => Promise<Figure[]> | Figure[]> = {
    ink: inkFigures,
    exact: exactFigures,
    keeping: () => keepingFigures(cluster.database('keeping')),
    handouts: async () => [
      ...(await handoutFigures(cluster.database('handouts300'), 300)),
      ...(await handoutFigures(cluster.database('handouts500'), 500)),
    ],
    sharing: () => sharingFigures(cluster.database('sharing')),
    hostile: () => hostileFigures(cluster.database('hostile')),
    flattening: flattenFigures,
    parcels: () => parcelFigures(cluster.database('parcels')),
    sound: soundFigures,
    film: () => filmFigures(cluster.database('film')),
    page: () => pageFigures(cluster.database('page')),
    writing: () => writingFigures(cluster.database('writing')),
    preparing: () => preparingFigures(cluster.database('preparing')),
    marking: () => markingFigures(cluster.database('marking')),
    answers: () => answersFigures(cluster.database('answers')),
    room: () => roomFigures(cluster.database('room')),
    slow: () => slowFigures(cluster.database('slow')),
  }
  for (const [name, measure] of Object.entries(parts)) {
    if (options.length > 0 && !options.includes(name)) continue
    for (const figure of await measure()) say(figure)
  }
  process.exit(0)
}
