import { sql } from 'drizzle-orm'

/**
 * Whether page `p` of the version of hand-out `h` is in copy `c`, for SQL: it is for everyone or for the
 * copy's set, and it was dealt to it where pages were dealt. `pagesFor` in core says the same.
 */
export const PAGE_IS_ITS =
  sql.raw(`p.version_id = h.version_id AND (p.sets IS NULL OR p.sets ? c.set_id::text)
  AND (c.dealt IS NULL OR c.dealt ? p.id::text)`)

/** Whether copy `c` of hand-out `h` lies in trays now: it is open, and neither was withdrawn. */
export const IS_OUT_TEXT =
  'h.withdrawn_at IS NULL AND c.withdrawn_at IS NULL AND coalesce(h.opens_at <= now(), true)'
export const IS_OUT = sql.raw(IS_OUT_TEXT)
