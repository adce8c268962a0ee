/** How an answer of school is kept on the device. */
export interface KeptHow {
  /** Which shelf it stands on; `work` is emptied when somebody signs out. */
  readonly shelf: 'screens' | 'work'
  /** Its name there. */
  readonly key: string
  /** It never changes under its name: what is kept need not be asked for again. */
  readonly lasts: boolean
}

/** How long school may take to answer when there is something kept, in milliseconds. */
const PATIENCE = 5000

const WORK = /^(\/as\/[a-z0-9-]{1,40})?\/api\/(me|tray|habits|copies\/[0-9a-f-]{36})$/
const FILES =
  /^(\/as\/[a-z0-9-]{1,40})?\/api\/(files\/[0-9a-f]{64}|copies\/[0-9a-f-]{36}\/attachments\/[0-9a-f-]{36})$/

/** What was built with the interface: names carry what they hold. */
const LASTING = ['/assets/', '/mathlive-fonts/', '/pdfjs/']

/** Whether and how the answer to a path is kept. Any place of a screen is the same one page. */
export function keepsPath(path: string, navigates: boolean): KeptHow | undefined {
  if (navigates) return path.includes('/api/') ? undefined : { shelf: 'screens', key: '/', lasts: false }
  if (path === '/') return { shelf: 'screens', key: '/', lasts: false }
  if (LASTING.some((folder) => path.startsWith(folder))) return { shelf: 'screens', key: path, lasts: true }
  if (WORK.test(path)) return { shelf: 'work', key: path, lasts: false }
  if (FILES.test(path)) return { shelf: 'work', key: path, lasts: true }
  return undefined
}

/** Answers from school, and keeps the answer; from what is kept when school cannot be reached. */
export async function answerWith(
  stores: CacheStorage,
  request: Request,
  { shelf, key, lasts }: KeptHow,
): Promise<Response> {
  const store = await stores.open(shelf)
  const kept = await store.match(key)
  const range = request.headers.get('range')
  if (kept && lasts) return range ? partOf(kept, range) : kept
  try {
    const answer = await within(fetch(request), kept ? PATIENCE : undefined)
    if (answer.status === 200 && !range) void store.put(key, answer.clone()).catch(() => {})
    return answer
  } catch (error) {
    if (!kept) throw error
    return range ? partOf(kept, range) : kept
  }
}

/**
 * Keeps what was asked for before anybody listened. Each shelf is taken once, before anything is laid on it: when somebody
 * signs out meanwhile it is gone with all that comes on it later, and nothing lands on that of whoever comes next.
 */
export async function keepAlso(stores: CacheStorage, paths: readonly string[]): Promise<void> {
  const [work, screens] = await Promise.all([stores.open('work'), stores.open('screens')])
  for (const path of paths) {
    const how = keepsPath(path, false)
    if (!how) continue
    const store = how.shelf === 'work' ? work : screens
    if (!(await store.match(how.key))) await store.add(path).catch(() => {})
  }
}

/** Rejects when it takes longer than `patience`. The service worker is one file: it shares no piece with the screens. */
function within<T>(work: Promise<T>, patience: number | undefined): Promise<T> {
  if (patience === undefined) return work
  return new Promise((done, failed) => {
    setTimeout(() => failed(new Error('school takes too long')), patience)
    work.then(done, failed)
  })
}

/** The bytes that a range asks for (RFC 9110, 14), as a partial answer. */
async function partOf(kept: Response, range: string): Promise<Response> {
  const bytes = await kept.arrayBuffer()
  const [, first = '', last = ''] = /^bytes=(\d*)-(\d*)$/.exec(range) ?? []
  const from = first === '' ? Math.max(0, bytes.byteLength - Number(last)) : Number(first)
  const to = first === '' || last === '' ? bytes.byteLength - 1 : Math.min(Number(last), bytes.byteLength - 1)
  const headers = new Headers(kept.headers)
  headers.set('content-range', `bytes ${from}-${to}/${bytes.byteLength}`)
  headers.set('content-length', String(to - from + 1))
  return new Response(bytes.slice(from, to + 1), { status: 206, headers })
}
