import { CALLS, type Ruling, type WorksheetPage } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { upload } from '../../../api/ask.ts'
import { PaperThumb } from '../../../page/pages/PaperThumb.tsx'
import { RulingGrid } from '../../../page/pages/RulingGrid.tsx'
import { RULINGS } from '../../../page/pages/rulings.ts'
import { Button } from '../../../ui/Button.tsx'
import { Dialog } from '../../../ui/Dialog.tsx'
import { Fetched } from '../../../ui/Notice.tsx'
import { RowButton } from '../../../ui/RowButton.tsx'
import { asked } from '../../asked.ts'
import { ChooseFiles, FilesProblem } from '../../files/ChooseFiles.tsx'
import { sayAbout, useSending } from '../../files/useSending.ts'
import { usePreparing } from '../context.ts'
import { insertPages, pagesFrom } from './insertPages.ts'
import { RulingRows } from './RulingRows.tsx'
import { usePageSize } from './sizes.tsx'

/** More pages, after the one that is shown: a paper, files, or pages of another worksheet. */
export function AddPage({ onClose }: { onClose: () => void }) {
  const { store, worksheet } = usePreparing()
  const [way, setWay] = useState<'paper' | 'worksheet'>('paper')
  const sending = useSending(async (files, passwords, onProgress) => {
    const brought = await upload(
      CALLS.bringInPages,
      { worksheet: worksheet.id },
      files,
      onProgress,
      passwords,
    )
    sayAbout(brought)
    insertPages(store, brought.pages)
    onClose()
  })
  return (
    <Dialog open onClose={onClose} title="Add a page" wide>
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
      {way === 'paper' ? <NewPaper onDone={onClose} /> : <FromWorksheet onDone={onClose} />}
    </Dialog>
  )
}

function NewPaper({ onDone }: { onDone: () => void }) {
  const { store } = usePreparing()
  const [chosen, setChosen] = useState(0)
  const [ruling, setRuling] = useState<Ruling>(RULINGS[0]![1])
  const { size, rows } = usePageSize()
  const pageOf = (of: Ruling): WorksheetPage => ({
    id: crypto.randomUUID(),
    ...size,
    paper: { kind: 'ruled', ruling: of },
    printed: [],
  })
  return (
    <div className="grid grid-cols-[1fr_230px] gap-6 max-handheld:grid-cols-1">
      <RulingGrid
        chosen={RULINGS[chosen]![0]}
        onChoose={(index) => {
          setChosen(index)
          setRuling(RULINGS[index]![1])
        }}
      />
      <div className="flex flex-col gap-3">
        {rows}
        <RulingRows key={chosen} ruling={ruling} onChange={setRuling} />
        <Button
          look="main"
          onClick={() => {
            insertPages(store, [pageOf(ruling)])
            onDone()
          }}
        >
          Add this page
        </Button>
      </div>
    </div>
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
          <ul className="flex max-h-[46vh] flex-wrap gap-4 overflow-y-auto p-1">
            {whole.sheet.pages.map((page, index) => (
              <li key={page.id}>
                <label className="flex flex-col items-center gap-1">
                  <PaperThumb page={page} width={96} label={`Page ${index + 1}`} />
                  <span>
                    <input
                      type="checkbox"
                      className="mr-1.5 h-[16px] w-[16px] accent-verdigris"
                      checked={chosen.has(page.id)}
                      onChange={(event) => {
                        const next = new Set(chosen)
                        if (event.target.checked) next.add(page.id)
                        else next.delete(page.id)
                        setChosen(next)
                      }}
                    />
                    {index + 1}
                  </span>
                </label>
              </li>
            ))}
          </ul>
          <div className="mt-4 flex justify-between">
            <Button onClick={() => setFrom(undefined)}>Another worksheet</Button>
            <Button
              look="main"
              disabled={chosen.size === 0}
              onClick={() => {
                insertPages(store, pagesFrom(whole.sheet, chosen))
                onDone()
              }}
            >
              {chosen.size <= 1 ? 'Add this page' : `Add ${chosen.size} pages`}
            </Button>
          </div>
        </>
      )}
    </Fetched>
  )
}
