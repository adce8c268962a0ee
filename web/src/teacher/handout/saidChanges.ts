import type { HandoutChanges } from '@hand-back/core'

/** What of a worksheet is not in the copies in use yet: "1 page new, 2 pages changed"; empty when nothing. */
export function saidChanges({ added, changed }: HandoutChanges): string {
  const pages = (count: number, what: string) =>
    count === 0 ? [] : [`${count} ${count === 1 ? 'page' : 'pages'} ${what}`]
  return [...pages(added.length, 'new'), ...pages(changed.length, 'changed')].join(', ')
}
