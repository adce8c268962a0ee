import { CALLS, type WorksheetPage } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useStore } from 'zustand'
import { upload } from '../../../api/ask.ts'
import { Button } from '../../../ui/Button.tsx'
import { Dialog } from '../../../ui/Dialog.tsx'
import { Fetched } from '../../../ui/Notice.tsx'
import { RowButton } from '../../../ui/RowButton.tsx'
import { asked } from '../../asked.ts'
import { ChooseFiles, FilesProblem } from '../../files/ChooseFiles.tsx'
import { sayAbout, useSending } from '../../files/useSending.ts'
import { usePreparing } from '../context.ts'
import { insertPages, pagesFrom } from './insertPages.ts'
import { PagesPick } from './PagesPick.tsx'
import { PaperChoice } from './PaperChoice.tsx'

/** More pages, after the one that is shown: a paper, files, or pages of another worksheet. */
export function AddPage({ onClose }: { onClose: () => void }) {
  const { store, worksheet } = usePreparing()
  const [way, setWay] = useState<'paper' | 'file' | 'worksheet'>('paper')
  const [file, setFile] = useState<readonly WorksheetPage[]>([])
  const number = useStore(store.view, ({ sheet, at }) => sheet.pages.findIndex(({ id }) => id === at) + 1)
  const sending = useSending(async (files, passwords, onProgress) => {
    const brought = await upload(
      CALLS.bringInPages,
      { worksheet: worksheet.id },
      files,
      onProgress,
      passwords,
    )
    sayAbout(brought)
    if (brought.pages.length > 1) {
      setFile(brought.pages)
      setWay('file')
      return
    }
    insertPages(store, brought.pages)
    onClose()
  })
  return (
    <Dialog open onClose={onClose} title={`Add a page after page ${number}`} wide>
      <div className="mb-4 flex flex-wrap gap-2">
        <Button
          aria-pressed={way === 'paper'}
          onClick={() => setWay('paper')}
          className={way === 'paper' ? '!border-ink' : ''}
        >
          Paper
        </Button>
        <ChooseFiles sending={sending} words="PDF or picture …" label="PDFs and pictures as pages" />
        <Button
          aria-pressed={way === 'worksheet'}
          onClick={() => setWay('worksheet')}
          className={way === 'worksheet' ? '!border-ink' : ''}
        >
          From another worksheet
        </Button>
      </div>
      <FilesProblem sending={sending} />
      {way === 'paper' && (
        <PaperChoice
          send="Add this page"
          onPage={(page) => {
            insertPages(store, [page])
            onClose()
          }}
        />
      )}
      {way === 'file' && <FromFile pages={file} onDone={onClose} />}
      {way === 'worksheet' && <FromWorksheet onDone={onClose} />}
    </Dialog>
  )
}

/** Pages of a file that was just brought in: all of it, or those that are wanted. */
function FromFile({ pages, onDone }: { pages: readonly WorksheetPage[]; onDone: () => void }) {
  const { store } = usePreparing()
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(pages.map(({ id }) => id)))
  return (
    <>
      <PagesPick pages={pages} chosen={chosen} onChange={setChosen} />
      <div className="mt-4 flex justify-end">
        <AddChosen
          count={chosen.size}
          onAdd={() => {
            insertPages(
              store,
              pages.filter(({ id }) => chosen.has(id)),
            )
            onDone()
          }}
        />
      </div>
    </>
  )
}

function AddChosen({ count, onAdd }: { count: number; onAdd: () => void }) {
  return (
    <Button look="main" disabled={count === 0} onClick={onAdd}>
      {count <= 1 ? 'Add this page' : `Add ${count} pages`}
    </Button>
  )
}

function FromWorksheet({ onDone }: { onDone: () => void }) {
  const { store, worksheet } = usePreparing()
  const shelf = useQuery(asked.worksheets())
  const [from, setFrom] = useState<string>()
  const other = useQuery({ ...asked.worksheet(from ?? ''), enabled: from !== undefined })
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  if (!from)
    return (
      <Fetched of={shelf}>
        {(list) => (
          <ul className="grid max-h-[50vh] gap-1 overflow-y-auto">
            {list
              .filter(({ id }) => id !== worksheet.id)
              .map(({ id, title, pageCount }) => (
                <li key={id}>
                  <RowButton onClick={() => setFrom(id)} className="justify-between rounded-tag px-3 py-2">
                    <b className="font-serif">{title}</b>
                    <span className="text-ink-soft">
                      {pageCount} {pageCount === 1 ? 'page' : 'pages'}
                    </span>
                  </RowButton>
                </li>
              ))}
            {list.length < 2 && (
              <p className="text-ink-soft">There is no other worksheet on the shelf yet.</p>
            )}
          </ul>
        )}
      </Fetched>
    )
  return (
    <Fetched of={other}>
      {(whole) => (
        <>
          <PagesPick pages={whole.sheet.pages} chosen={chosen} onChange={setChosen} />
          <div className="mt-4 flex justify-between">
            <Button onClick={() => setFrom(undefined)}>Another worksheet</Button>
            <AddChosen
              count={chosen.size}
              onAdd={() => {
                insertPages(store, pagesFrom(whole.sheet, chosen))
                onDone()
              }}
            />
          </div>
        </>
      )}
    </Fetched>
  )
}
