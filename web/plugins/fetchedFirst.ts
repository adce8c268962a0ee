import type { Plugin } from 'vite'

/** The name of the module through which Vite's builds import a part of the interface that needs further files. */
const PRELOADING = '\0vite/preload-helper.js'

/**
 * Everything that a part of the interface needs is fetched before the browser is asked to import it. A browser
 * remembers for as long as the page lives that a file failed to import (HTML, "fetch a single module script"):
 * a network gone for a moment would take that part away for good. What fails here can be fetched again.
 */
export function fetchedFirst(): Plugin {
  return {
    name: 'fetched-first',
    apply: 'build',
    enforce: 'pre',
    load: {
      filter: { id: /preload-helper/ },
      handler: (id) => (id === PRELOADING ? HELPER : undefined),
    },
  }
}

const HELPER = `
const fetched = new Map()
// What the page itself asked for has run by now, or this would not.
for (const its of document.querySelectorAll('script[src], link[rel=modulepreload]'))
  fetched.set((its.getAttribute('src') ?? its.getAttribute('href')).slice(1), Promise.resolve())
function fetchWhole(address) {
  const before = fetched.get(address)
  if (before) return before
  const now = fetch('/' + address).then(async (answer) => {
    if (!answer.ok) throw new Error(address + ': ' + answer.status)
    await answer.arrayBuffer()
  })
  fetched.set(address, now)
  now.catch(() => fetched.delete(address))
  return now
}
export async function __vitePreload(importPart, addresses = []) {
  await Promise.all(addresses.map(fetchWhole))
  return importPart()
}
`
