import { answerWith, keepAlso, keepsPath } from './keptAnswers.ts'

// The service worker of a student's device: screens and what they asked for are kept, so that a copy can be
// opened again while school is out of reach. School is always asked first; what is made goes through the outbox.

/** What a service worker's own events have besides what all events have. */
interface LifeEvent extends Event {
  waitUntil(done: Promise<unknown>): void
}
interface AskEvent extends LifeEvent {
  readonly request: Request
  respondWith(answer: Promise<Response>): void
}
interface Worker {
  skipWaiting(): Promise<void>
  readonly clients: { claim(): Promise<void> }
  addEventListener(name: 'install' | 'activate', listener: (event: LifeEvent) => void): void
  addEventListener(name: 'message', listener: (event: LifeEvent & { readonly data: unknown }) => void): void
  addEventListener(name: 'fetch', listener: (event: AskEvent) => void): void
}
const worker = globalThis as unknown as Worker

worker.addEventListener('install', (event) => event.waitUntil(worker.skipWaiting()))
worker.addEventListener('activate', (event) => event.waitUntil(worker.clients.claim()))
worker.addEventListener('message', (event) => {
  if (Array.isArray(event.data)) event.waitUntil(keepAlso(caches, event.data.map(String)))
})
worker.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== location.origin) return
  const kept = keepsPath(url.pathname, request.mode === 'navigate')
  if (kept) event.respondWith(answerWith(caches, request, kept))
})
