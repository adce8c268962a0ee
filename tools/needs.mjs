// What a machine must have, and how to get it: npm packages and Debian's.
import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const project = fileURLToPath(new URL('..', import.meta.url))
const LEAST_NODE = [20, 19]

/** A problem told in one sentence, without a stack. */
export class Missing extends Error {
  constructor(sentence) {
    super(sentence)
    this.sentence = sentence
  }
}

export const needs = {
  packages: () => {
    nodeIsNewEnough()
    if (packagesAreThere()) return
    console.log('Installing npm packages (about a minute, once) …')
    const done = run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
      cwd: project,
      env: { ...process.env, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' },
    })
    if (!done) throw new Missing('npm could not install the packages; see its message above.')
  },
  postgresql: () => install('PostgreSQL', 'postgresql', () => findPostgres() !== undefined),
  chromium: () => install('Chromium', 'chromium', () => existsSync('/usr/bin/chromium')),
  poppler: () => install('Poppler', 'poppler-utils', () => onPath('pdftoppm')),
  qpdf: () => install('qpdf', 'qpdf', () => onPath('qpdf')),
}

/** The folder with PostgreSQL's newest server programs, or nothing. */
export function findPostgres() {
  const root = '/usr/lib/postgresql'
  const versions = existsSync(root) ? readdirSync(root).sort((a, b) => Number(b) - Number(a)) : []
  const folders = [
    ...versions.map((version) => `${root}/${version}/bin`),
    ...(process.env.PATH ?? '').split(':'),
  ]
  return folders.find((folder) => existsSync(`${folder}/initdb`) && existsSync(`${folder}/postgres`))
}

function nodeIsNewEnough() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major > LEAST_NODE[0] || (major === LEAST_NODE[0] && minor >= LEAST_NODE[1])) return
  throw new Missing(`Node.js ${LEAST_NODE.join('.')} or newer is needed; this is ${process.versions.node}.`)
}

// npm writes this file last; an install that broke off has none, and a newer lock asks for another.
function packagesAreThere() {
  const mark = `${project}/node_modules/.package-lock.json`
  if (!existsSync(mark)) return false
  const lock = `${project}/package-lock.json`
  if (statSync(lock).mtimeMs <= statSync(mark).mtimeMs) return true
  const wanted = JSON.parse(readFileSync(lock, 'utf8')).packages
  const there = JSON.parse(readFileSync(mark, 'utf8')).packages
  return Object.entries(wanted).every(
    ([path, { version, optional, link }]) =>
      path === '' || optional || link || !path.includes('node_modules') || there[path]?.version === version,
  )
}

function install(what, debianPackage, isThere) {
  if (isThere()) return
  if (!onPath('apt-get'))
    throw new Missing(`${what} is missing, and this machine has no apt-get to install it with.`)
  const root = process.getuid?.() === 0
  if (!root && !(onPath('sudo') && run('sudo', ['-n', 'true'], { stdio: 'ignore' }))) {
    throw new Missing(`${what} is missing. Ask somebody with rights to run: apt-get install ${debianPackage}`)
  }
  console.log(`Installing ${what} (${debianPackage}) …`)
  const apt = (...words) => {
    const line = ['env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...words]
    return root
      ? run(line[0], line.slice(1), { stdio: 'ignore' })
      : run('sudo', ['-n', ...line], { stdio: 'ignore' })
  }
  apt('update')
  apt('install', '-y', '--no-install-recommends', debianPackage)
  if (!isThere()) throw new Missing(`${what} could not be installed. Try: apt-get install ${debianPackage}`)
}

function onPath(program) {
  return (process.env.PATH ?? '').split(':').some((folder) => existsSync(`${folder}/${program}`))
}

function run(program, words, options = {}) {
  return spawnSync(program, words, { stdio: 'inherit', ...options }).status === 0
}
