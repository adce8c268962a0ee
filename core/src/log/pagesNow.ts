import type { WorksheetPage } from '../worksheet/page.ts'
import { resizePage } from '../worksheet/resizePage.ts'
import type { Page } from './apply.ts'

/** The most pages that students can lay into one copy. */
export const MOST_OWN_PAGES = 100

/**
 * The pages of a copy as they are now: the printed ones, as far as they grew, and among them those that
 * somebody laid in. A printed page never gets smaller than it was handed out. A page laid in after a
 * printed one that is not there (any more) stands at the end. Pages that nothing was done to stay the
 * very same objects.
 */
export function pagesNow(
  printed: readonly WorksheetPage[],
  log: ReadonlyMap<string, Pick<Page, 'sheet'>>,
): WorksheetPage[] {
  const ids = new Set(printed.map(({ id }) => id))
  const after = new Map<string | null | undefined, { page: WorksheetPage; order: number }[]>()
  for (const [id, { sheet }] of log) {
    const { ruling, width, height, gone } = sheet ?? {}
    if (ids.has(id) || !ruling || !width || !height || gone) continue
    const place = sheet!.after === null || ids.has(sheet!.after ?? '') ? sheet!.after : undefined
    const page: WorksheetPage = { id, width, height, paper: { kind: 'ruled', ruling }, printed: [] }
    after.set(place, [...(after.get(place) ?? []), { page, order: sheet!.order ?? 0 }])
  }
  const own = (place: string | null | undefined) =>
    (after.get(place) ?? [])
      .sort((a, b) => a.order - b.order || (a.page.id < b.page.id ? -1 : 1))
      .map(({ page }) => page)
  return [
    ...own(null),
    ...printed.flatMap((page) => [grown(page, log.get(page.id)), ...own(page.id)]),
    ...own(undefined),
  ]
}

function grown(page: WorksheetPage, now: Pick<Page, 'sheet'> | undefined): WorksheetPage {
  const width = Math.max(page.width, now?.sheet?.width ?? 0)
  const height = Math.max(page.height, now?.sheet?.height ?? 0)
  return width === page.width && height === page.height ? page : resizePage(page, { width, height }, 'keep')
}

/** Where a page laid in stands that is to come right after another page of the copy. */
export function placeAfter(
  pages: readonly WorksheetPage[],
  log: ReadonlyMap<string, Pick<Page, 'sheet'>>,
  page: string | undefined,
): { after: string | null; order: number } {
  const order = (id: string) => log.get(id)?.sheet?.order ?? 0
  const isOwn = (id: string) => log.get(id)?.sheet?.ruling !== undefined
  const at = pages.findIndex(({ id }) => id === page)
  let printed = at
  while (printed >= 0 && isOwn(pages[printed]!.id)) printed--
  const next = pages[at + 1]
  const before = at >= 0 && isOwn(pages[at]!.id) ? order(pages[at]!.id) : undefined
  const behind = next && isOwn(next.id) ? order(next.id) : undefined
  const middle =
    before !== undefined && behind !== undefined
      ? (before + behind) / 2
      : before !== undefined
        ? before + 1
        : behind !== undefined
          ? behind - 1
          : 0
  return { after: pages[printed]?.id ?? null, order: middle }
}
