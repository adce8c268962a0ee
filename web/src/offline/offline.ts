import { forgetLogs } from '../page/device/logShelf.ts'

/** Lets this device open a student's screens while school is out of reach. Devices that cannot work on without. */
export function workOffline(): void {
  if (!import.meta.env.PROD || !navigator.serviceWorker) return
  later()
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

/** Nothing that was read stays on the device for whoever comes next. What has not been sent stays in the outbox. */
export async function forgetWork(): Promise<void> {
  await Promise.allSettled([globalThis.caches?.delete('work'), forgetLogs()])
}
