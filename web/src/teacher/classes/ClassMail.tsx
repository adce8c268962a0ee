import type { MailRow } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { type Column, DataTable } from '../../ui/DataTable.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { sayWhen } from '../../ui/when.ts'
import { asked } from '../asked.ts'

/** What was, or would have been, sent by mail to the students of a class. */
export function ClassMail() {
  const { class: id = '' } = useParams()
  const whole = useQuery(asked.class(id))
  const mail = useQuery(asked.classMail(id))
  const [open, setOpen] = useState<MailRow>()
  return (
    <>
      <div className="mb-6 flex flex-wrap items-baseline gap-4 border-b border-rule pb-4">
        <h1 className="text-head">Mail to {whole.data?.name ?? 'a class'}</h1>
        <span className="flex-1" />
        <Link to={`/class/${id}`}>Back to the class</Link>
      </div>
      <Fetched of={mail}>
        {({ server, mail: rows }) => (
          <>
            <p className="mb-5 max-w-[44rem] text-ink-soft">
              Students who have a mail address are told what was handed out, what is due within a day, and
              what came back; each chooses which of it. No mail holds feedback, marks, or a name.{' '}
              {!server && (
                <b className="text-ink">This school has no mail server yet: all of it stays here.</b>
              )}
            </p>
            {rows.length === 0 ? (
              <Empty title="No mail yet">
                Addresses are typed on the page of the class, or come with a list.
              </Empty>
            ) : (
              <DataTable columns={columnsOf(server, setOpen)} rows={rows} onOpen={setOpen} />
            )}
          </>
        )}
      </Fetched>
      {open && (
        <Dialog open onClose={() => setOpen(undefined)} title={open.subject}>
          <p className="mb-4 text-ink-soft">
            To {open.name}, {open.address}
          </p>
          <p className="whitespace-pre-line">{open.words}</p>
        </Dialog>
      )}
    </>
  )
}

const columnsOf = (server: boolean, onOpen: (mail: MailRow) => void): Column<MailRow>[] => [
  {
    id: 'when',
    head: 'When',
    orderBy: ({ madeAt }) => madeAt,
    cellClass: 'tabular pr-4 whitespace-nowrap text-ink-soft',
    cell: ({ madeAt }) => sayWhen(madeAt),
  },
  {
    id: 'to',
    head: 'To',
    orderBy: ({ name }) => name,
    cellClass: 'pr-4 font-semibold',
    cell: ({ name }) => name,
  },
  {
    id: 'subject',
    head: 'What it says',
    orderBy: ({ subject }) => subject,
    cellClass: 'pr-4',
    cell: (mail) => (
      <button
        type="button"
        className="min-h-[38px] text-left hover:underline pointer-coarse:min-h-11"
        onClick={(event) => {
          event.stopPropagation()
          onOpen(mail)
        }}
      >
        {mail.subject}
      </button>
    ),
  },
  ...(server ? [SENT] : []),
]

const SENT: Column<MailRow> = {
  id: 'sent',
  head: 'Sent',
  cellClass: 'whitespace-nowrap',
  cell: ({ sentAt, trouble }) =>
    sentAt !== null ? (
      <span className="text-ink-soft">{sayWhen(sentAt)}</span>
    ) : trouble ? (
      <span className="text-madder" title={trouble}>
        not taken
      </span>
    ) : (
      <span className="text-ink-soft">on its way</span>
    ),
}
