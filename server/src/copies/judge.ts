import {
  arePensDown,
  attachmentsOf,
  belongsThere,
  type EventFate,
  type Exchange,
  type Item,
  isForSet,
  type Layer,
  MOST_OWN_PAGES,
  MOST_POINTS_MADE,
  mayLieOn,
  mayReply,
  mayWrite,
  type PageEvent,
  piecesOf,
  type Role,
  readInk,
  type Stroke,
  staysIn,
} from '@hand-back/core'
import type { PartOfCopy } from './goParts.ts'
import { COPY_FULL, MOST_COPY_BYTES, NOT_OUT } from './limits.ts'
import type { CopyRecord } from './place.ts'
import type { PrintedOn, PrintedPage } from './printedOn.ts'

/** What must be known of a copy and of an event to judge it. */
export interface Evidence {
  readonly copy: CopyRecord
  readonly role: Role
  /** In milliseconds since 1970. */
  readonly now: number
  /** Asked to write on what is there to be read. */
  readonly isWriter: boolean
  readonly pages: PrintedOn
  /** Events with these ids that the database has already. */
  readonly there: ReadonlyMap<string, { copy: string; seq: number; round: number }>
  /** The attachments of this copy that this person may see: an item may name no others. */
  readonly attachments: ReadonlySet<string>
  /** The pages that somebody laid into this copy. */
  readonly ownPages: ReadonlySet<string>
  /** What was exchanged for what on a page of this copy, for a teacher who brings work back there. */
  readonly exchanged: ReadonlyMap<string, readonly Exchange[]>
  /** The sheets of paper that were laid on pages of this copy, for a teacher who lays others in their place. */
  readonly scans: ReadonlySet<string>
  /** For a student in a go that is for chosen questions: the part that takes work, and what lies on its pages. */
  readonly part?: PartOfCopy | undefined
  /** Whether a page was given to this person, or to nobody. */
  mayWriteOn(page: string): boolean
}

const CLOSED: Record<Role, string> = {
  student: 'This copy is not yours to write on just now.',
  teacher: 'This copy has not been opened yet.',
}
const NO_PINS = 'Your teacher switched pins off for this.'
const PENS_DOWN = 'Pens are down just now.'
/** A stroke that was under way is finished and on its way for so long, in milliseconds. */
const FINISHING = 5000
const ONLY_PART = 'Only the questions of this go take work.'

/** Judges one event: its fate if it is already decided, `undefined` if it is to be kept. */
export function judge(event: PageEvent, evidence: Evidence): EventFate | undefined {
  const { id } = event
  const there = evidence.there.get(id)
  if (there) {
    return there.copy === evidence.copy.id
      ? { id, fate: 'kept', seq: there.seq, round: there.round }
      : wrong(id, 'This belongs to another copy.')
  }
  if (evidence.role === 'student' && !evidence.copy.out) return { id, fate: 'closed', why: NOT_OUT }
  if (!mayEver(event, evidence)) return wrong(id, 'This is not yours to write on.')
  if (evidence.copy.bytes > MOST_COPY_BYTES) return { id, fate: 'closed', why: COPY_FULL }
  const page = evidence.pages.get(event.page)
  const laysIn = event.act === 'sheet' && laysPageIn(event)
  const own = !page && (laysIn || evidence.ownPages.has(event.page))
  if (!own && (!page || !hasPage(evidence.copy, event.page, page)))
    return wrong(id, 'This copy has no such page.')
  if (own && laysIn && !evidence.ownPages.has(event.page) && evidence.ownPages.size >= MOST_OWN_PAGES)
    return wrong(id, `A copy takes at most ${MOST_OWN_PAGES} pages more.`)
  if (event.act === 'sheet' && !own && !growsOnly(event)) return wrong(id, 'A printed page can only grow.')
  // Whosever page it is: all who have the copy talk about it.
  if (event.layer !== 'pins' && !evidence.mayWriteOn(event.page))
    return wrong(id, 'This page was given to somebody else.')
  if (attachmentsOf(event).some((name) => !evidence.attachments.has(name)))
    return wrong(id, 'Its sound or picture has not arrived.')
  if (event.act === 'add' || event.act === 'swap') {
    for (const stroke of event.items.flatMap(inkOf)) {
      const refused = refusedInk(stroke)
      if (refused) return wrong(id, refused)
    }
    if (!event.items.every((item) => belongs(item, event.layer, page?.items ?? NOTHING_PRINTED)))
      return wrong(id, 'This page has no such place for an answer.')
  }
  if (rests(evidence)) return { id, fate: 'closed', why: PENS_DOWN }
  const { part } = evidence
  if (part && event.layer === 'work' && !staysIn(part.open, event, part.laidOn(event.page)))
    return { id, fate: 'closed', why: ONLY_PART }
  return mayWrite(evidence.role, evidence.copy, event.layer) ||
    bringsBack(event, evidence) ||
    laysPaper(event, evidence) ||
    replies(event, evidence) ||
    writesAtFront(event, evidence)
    ? undefined
    : { id, fate: 'closed', why: event.layer === 'pins' ? NO_PINS : CLOSED[evidence.role] }
}

/** Whether the class was told to put its pens down, and has had time to. */
const rests = ({ role, copy: { pensDownAt }, now }: Evidence): boolean =>
  role === 'student' && pensDownAt !== null && arePensDown(pensDownAt, now) && now > pensDownAt + FINISHING

const NOTHING_PRINTED: ReadonlyMap<string, string> = new Map()

/** The ink of an item: its own, or what was drawn while it was said. */
function inkOf(item: Item): readonly Stroke[] {
  if (item.kind === 'stroke') return [item]
  return item.kind === 'pin' || item.kind === 'pinAnswer'
    ? (item.drawn ?? []).map(({ stroke }) => stroke)
    : []
}

/** Why ink is not taken; nothing when it is. */
function refusedInk({ points }: Stroke): string | undefined {
  const read = readInk(points)
  if (!read) return 'This ink cannot be read.'
  return read.length > MOST_POINTS_MADE ? 'This stroke is too long.' : undefined
}

type PageChange = Extract<PageEvent, { act: 'sheet' }>

/** Whether this is a page that somebody lays in: it says all that a page needs. */
export function laysPageIn({ set, layer }: PageChange): boolean {
  return layer === 'work' && set.ruling !== undefined && set.width !== undefined && set.height !== undefined
}

function growsOnly({ set, layer }: PageChange): boolean {
  return (
    layer === 'work' &&
    set.ruling === undefined &&
    set.gone === undefined &&
    set.after === undefined &&
    set.order === undefined
  )
}

/** Whether an event brings strokes back in exchange for something, and adds nothing. */
export function exchangesBack(event: PageEvent): event is Extract<PageEvent, { act: 'swap' }> {
  return event.act === 'swap' && event.bring.length > 0 && event.items.length === 0
}

/** The teacher brings back what somebody took away, on any layer, in exchange for nothing but its pieces. */
function bringsBack(event: PageEvent, { role, exchanged }: Evidence): boolean {
  if (role !== 'teacher') return false
  if (!exchangesBack(event)) return event.act === 'bring'
  const pieces = piecesOf(event.bring, exchanged.get(event.page) ?? [])
  return event.take.every((id) => pieces.has(id))
}

/** The teacher lays sheets of paper where they were printed, in place of such sheets, or takes such away: on the students' layer. */
function laysPaper(event: PageEvent, { role, copy, scans }: Evidence): boolean {
  if (role !== 'teacher' || event.layer !== 'work' || copy.way === 'read') return false
  const areScans = (ids: readonly string[]) => ids.every((id) => scans.has(id))
  if (event.act === 'take') return areScans(event.items)
  if (event.act === 'add') return event.items.every(({ kind }) => kind === 'scan')
  return (
    event.act === 'swap' &&
    event.bring.length === 0 &&
    event.items.every(({ kind }) => kind === 'scan') &&
    areScans(event.take)
  )
}

/** A student was asked to write at the front: on what all of them have to read. */
const writesAtFront = ({ layer }: PageEvent, { role, copy, isWriter }: Evidence): boolean =>
  role === 'student' && isWriter && copy.way === 'read' && layer === 'work'

/** A student answers feedback, and does nothing else. */
function replies(event: PageEvent, { role, copy }: Evidence): boolean {
  if (!mayReply(role, copy) || event.layer !== 'work') return false
  if (event.act === 'add') return event.items.every(({ kind }) => kind === 'reply')
  return event.act === 'change' && Object.keys(event.set).every((what) => what === 'reply')
}

/** Whether a page of the version is one of this copy. */
function hasPage({ setId, dealt }: CopyRecord, id: string, { sets }: PrintedPage): boolean {
  return isForSet({ sets }, setId) && (!dealt || dealt.includes(id))
}

/** Whether what an answer answers is there: the page has that place, card or plot. Only students answer. */
const belongs = (item: Item, layer: Layer, printed: ReadonlyMap<string, string>): boolean =>
  belongsThere(item, printed) && mayLieOn(item, layer)

function mayEver(event: PageEvent, evidence: Evidence): boolean {
  return evidence.role === 'student'
    ? event.layer === 'work' || event.layer === 'pins'
    : event.layer !== 'work' ||
        evidence.copy.way === 'read' ||
        bringsBack(event, evidence) ||
        laysPaper(event, evidence)
}

function wrong(id: string, why: string): EventFate {
  return { id, fate: 'wrong', why }
}
