import { dropNotes } from '../deviceNotes.ts'
import { forgetLogs } from '../page/device/logCache.ts'
import { forgetHabits } from '../page/habits/useHabits.ts'

/**
 * Lets this device open a student's screens while school is out of reach. Devices that cannot work on
 * without. `ahead`: what may be needed then is being fetched.
 */
export function workOffline(ahead: Promise<void>): void {
  if (!import.meta.env.PROD || !navigator.serviceWorker) return
  const whose = turns
  Promise.all([later(), ahead])
    .then(() => navigator.serviceWorker.register('/serviceWorker.js'))
    .then(() => navigator.serviceWorker.ready)
    .then((ready) => keepWhatCameBefore(ready, whose === turns))
    .catch(() => {})
}

/** Counts how often somebody's things were forgotten: what was begun for them before is not kept after that. */
let turns = 0

/** Opening what somebody wants to see comes before keeping it, in milliseconds. */
const FIRST = 2000
const later = () => new Promise((done) => setTimeout(done, FIRST))

/** Keeps what a copy shows but the screen itself does not fetch: its files, by their addresses. */
export function keepOffline(paths: readonly string[]): void {
  const whose = turns
  void later().then(async () => {
    const ready = await navigator.serviceWorker?.ready
    if (whose === turns) ready?.active?.postMessage(paths)
  })
}

/** What was fetched before the service worker listened is kept too: it is told what that was. Another's work is not. */
function keepWhatCameBefore({ active }: ServiceWorkerRegistration, theirs: boolean): void {
  const fetched = performance.getEntriesByType('resource').map(({ name }) => new URL(name))
  const paths = fetched
    .filter(({ origin, pathname }) => origin === location.origin && (theirs || !pathname.includes('/api/')))
    .map(({ pathname }) => pathname)
  active?.postMessage([...new Set(['/', ...paths])])
}

/**
 * Nothing of a person stays on the device for whoever comes next: not what was read, not how they like to
 * work, not where they were, not what they copied. What has not been sent stays in the outbox, under its person.
 */
export async function forgetPerson(): Promise<void> {
  turns++
  dropNotes(STAYS)
  try {
    sessionStorage.clear()
  } catch {}
  forgetHabits()
  await Promise.allSettled([forgetAnswers(), forgetLogs()])
}

/**
 * What school answered does not stay either. Once more when the session has ended: until then what was asked for before
 * may still be answered, and kept.
 */
export const forgetAnswers = async (): Promise<void> => void (await globalThis.caches?.delete('work'))

/**
 * What is nobody's (that a pen was seen, that devices are for practice, that a sign-out is owed), words on their way to the device's database, and what
 * of a worked copy has not reached school, under its teacher.
 */
const STAYS = /^(pen seen|practice devices|sign-out owed|typing |worked )/
