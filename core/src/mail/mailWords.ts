/** What students are told of by mail. */
export const MAIL_ABOUT = ['handed out', 'due', 'handed back'] as const
export type MailAbout = (typeof MAIL_ABOUT)[number]

export interface MailFacts {
  /** Of the hand-out. */
  readonly title: string
  readonly className: string
  /** In milliseconds since 1970; null: it has no date. */
  readonly dueAt: number | null
  /** For `handed back`: it came back for another go. */
  readonly again: boolean
  /** Where one signs in; nothing: it is not known. */
  readonly address: string | undefined
  /** By which clock the date is said (IANA); left out: this machine's. */
  readonly timeZone?: string
}

/** What a mail says. */
export interface MailWords {
  readonly subject: string
  readonly words: string
}

/** So long before it is due a student who has not handed in is told, in milliseconds: what is due tomorrow. */
export const DUE_SOON = 24 * 60 * 60 * 1000

/**
 * A mail to a student about one of their copies. It holds what the hand-out is called, its class and its date, and
 * never feedback, marks, or a name.
 */
export function mailWords(about: MailAbout, facts: MailFacts): MailWords {
  const { title, className, dueAt, address } = facts
  const due = dueAt === null ? undefined : `It is due ${sayDate(dueAt, facts.timeZone)}.`
  const told = SAID[about](facts, due)
  const lines = [
    told.first,
    told.due,
    address && `It lies in your tray: ${address}`,
    `You get this because you are in ${className}. Which mails come to you is chosen under “Mail”, above your tray.`,
  ]
  return { subject: oneLine(`${told.subject}: ${title}`), words: lines.filter(Boolean).join('\n\n') }
}

interface Said {
  readonly subject: string
  readonly first: string
  readonly due: string | undefined
}

const SAID: Record<MailAbout, (facts: MailFacts, due: string | undefined) => Said> = {
  'handed out': ({ title, className }, due) => ({
    subject: 'New in your tray',
    first: `“${title}” was handed out to ${className}.`,
    due,
  }),
  due: ({ title }, due) => ({
    subject: 'Due soon',
    first: `“${title}” is not handed in yet.`,
    due,
  }),
  'handed back': ({ title, again }, due) => ({
    subject: again ? 'Another go' : 'Handed back',
    first: again ? `“${title}” came back to you for another go.` : `“${title}” was handed back to you.`,
    due: again ? due : undefined,
  }),
}

/** A subject is one line (RFC 5322, 2.2). */
const oneLine = (words: string) => words.replace(/\s+/g, ' ').slice(0, 200)

const sayDate = (at: number, timeZone: string | undefined) =>
  new Intl.DateTimeFormat('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
    ...(timeZone ? { timeZone } : {}),
  }).format(at)
