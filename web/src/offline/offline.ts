import { dropNotes } from '../deviceNotes.ts'
import { forgetLogs } from '../page/device/logCache.ts'
import { forgetHabits } from '../page/habits/useHabits.ts'

/**
 * Lets this device open a student's screens while school is out of reach. Devices that cannot work on
 * without. `ahead`: what may be needed then is being fetched.
 */
export function workOffline(ahead: Promise<void>): void {
  if (!import.meta.env.PROD || !navigator.serviceWorker) return
  Promise.all([later(), ahead])
    .then(() => navigator.serviceWorker.register('/serviceWorker.js'))
    .then(() => navigator.serviceWorker.ready)
    .then(keepWhatCameBefore)
    .catch(() => {})
}

/** Opening what somebody wants to see comes before keeping it, in milliseconds. */
const FIRST = 2000
const later = () => new Promise((done) => setTimeout(done, FIRST))

/** Keeps what a copy shows but the screen itself does not fetch: its files, by their addresses. */
export function keepOffline(paths: readonly string[]): void {
  void later().then(async () => (await navigator.serviceWorker?.ready)?.active?.postMessage(paths))
}

/** What was fetched before the service worker listened is kept too: it is told what that was. */
function keepWhatCameBefore({ active }: ServiceWorkerRegistration): void {
  const fetched = performance.getEntriesByType('resource').map(({ name }) => new URL(name))
  const paths = fetched.filter(({ origin }) => origin === location.origin).map(({ pathname }) => pathname)
  active?.postMessage([...new Set(['/', ...paths])])
}

/**
 * Nothing of a person stays on the device for whoever comes next: not what was read, not how they like to
 * work, not where they were, not what they copied. What has not been sent stays in the outbox, under its person.
 */
export async function forgetPerson(): Promise<void> {
  dropNotes(STAYS)
  try {
    sessionStorage.clear()
  } catch {}
  forgetHabits()
  await Promise.allSettled([globalThis.caches?.delete('work'), forgetLogs()])
}

/** What is nobody's (that a pen was seen, that a sign-out is owed), and words on their way to the device's database. */
const STAYS = /^(pen seen|sign-out owed|typing )/
