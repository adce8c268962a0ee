const match = /^\/as\/[a-z0-9-]{1,40}(?=\/|$)/.exec(globalThis.location?.pathname ?? '')

/** The path under which this tab is signed in: empty, or a seat of the demo, `/as/NAME`. */
export const SEAT = match?.[0] ?? ''

/** An address of the server as this seat asks it. */
export function apiUrl(path: string): string {
  return `${SEAT}/api${path}`
}
