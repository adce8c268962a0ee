import { type WorksheetWhole, worksheetWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { Trash2 } from 'lucide-react'
import { useNavigate, useParams } from 'react-router'
import type { z } from 'zod'
import { ask, nothing } from '../../api/ask.ts'
import { queries, queryClient } from '../../api/queries.ts'
import { PaperThumb } from '../../page/paper/PaperThumb.tsx'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { Answer } from '../../ui/Notice.tsx'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { TitleField } from '../../ui/TitleField.tsx'
import { useBringIn } from './BringIn.tsx'

/** One worksheet: its pages, its name, and on to handing out. */
export function Worksheet() {
  const { worksheet: id = '' } = useParams()
  const worksheet = useQuery(queries.worksheet(id))
  return <Answer of={worksheet}>{(whole) => <Pages key={whole.id} worksheet={whole} />}</Answer>
}

function Pages({ worksheet }: { worksheet: WorksheetWhole }) {
  const { id, pages, frozen } = worksheet
  const { choose } = useBringIn()
  const navigate = useNavigate()

  const takeOut = async (page: string) => {
    try {
      const without = await ask(
        worksheetWhole as z.ZodType<WorksheetWhole>,
        'DELETE',
        `/worksheets/${id}/pages/${page}`,
      )
      queryClient.setQueryData(['worksheet', id], without)
      void queryClient.invalidateQueries({ queryKey: ['worksheets'] })
    } catch (error) {
      sayProblem(error)
    }
  }
  const putAway = async () => {
    try {
      await ask(nothing, 'POST', `/worksheets/${id}/archive`)
      await queryClient.invalidateQueries({ queryKey: ['worksheets'] })
      await navigate('/shelf')
      sayDone(`${worksheet.title} is put away.`, () => {
        ask(nothing, 'POST', `/worksheets/${id}/bring-back`).then(
          () => queryClient.invalidateQueries({ queryKey: ['worksheets'] }),
          sayProblem,
        )
      })
    } catch (error) {
      sayProblem(error)
    }
  }

  const rename = async (title: string) => {
    await ask(nothing, 'PATCH', `/worksheets/${id}`, { title })
    await queryClient.invalidateQueries({ queryKey: ['worksheet', id] })
    void queryClient.invalidateQueries({ queryKey: ['worksheets'] })
  }

  return (
    <>
      <div className="mb-6 flex flex-wrap items-center gap-3 border-b border-rule pb-4">
        <TitleField label="Title of the worksheet" title={worksheet.title} longest={120} onRename={rename} />
        <Button look="quiet" onClick={() => void putAway()}>
          Put away
        </Button>
        <Button onClick={() => choose(id)}>Add pages</Button>
        <LinkButton to={`/worksheet/${id}/hand-out`} look="main">
          Hand out
        </LinkButton>
      </div>
      <p className="mb-5 text-ink-soft">
        {pages.length} {pages.length === 1 ? 'page' : 'pages'}.{' '}
        {frozen
          ? 'It has been handed out like this. What you change here is for the next time; copies already out stay as they are.'
          : 'The printed pages are fixed: students write over them and cannot move or wipe them.'}
      </p>
      <ol className="grid grid-cols-[repeat(auto-fill,minmax(180px,1fr))] gap-x-6 gap-y-7">
        {pages.map((page, index) => (
          <li key={page.id} className="group relative flex flex-col items-start gap-2">
            <PaperThumb page={page} width={170} label={`Page ${index + 1}`} />
            <span className="flex w-[170px] items-center gap-2">
              <b className="font-serif text-lg">{index + 1}</b>
              <span className="tabular flex-1 text-ink-soft">
                {millimetres(page.width)} × {millimetres(page.height)} mm
              </span>
              {pages.length > 1 && (
                <button
                  type="button"
                  aria-label={`Take out page ${index + 1}`}
                  onClick={() => void takeOut(page.id)}
                  className="grid h-8 w-8 place-items-center rounded-tag text-ink-soft hover:bg-card hover:text-madder"
                >
                  <Trash2 size={17} aria-hidden="true" />
                </button>
              )}
            </span>
          </li>
        ))}
      </ol>
    </>
  )
}

const millimetres = (points: number) => Math.round((points * 25.4) / 72)
