import { type Person, type Remark, sayMarks, wordsOfRemark } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { type Column, DataTable } from '../../ui/DataTable.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { FileInput } from '../../ui/FileInput.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { sayDone, sayProblem, saySentence } from '../../ui/notices.ts'
import { asked } from '../asked.ts'
import { ChangeRemark } from './ChangeRemark.tsx'
import { RemarkPicture } from './RemarkPicture.tsx'
import { readRemarkFile, saveAsCsv, saveAsJson } from './remarkFiles.ts'
import { changeRemark, keepRemarks } from './useRemarks.ts'

/** A teacher's own remarks: found, changed, removed, taken away as a file and brought in from one. */
export function Remarks({ person }: { person: Person }) {
  const remarks = useQuery(asked.remarks())
  const file = useRef<HTMLInputElement>(null)
  const [wanted, setWanted] = useState('')
  const bringIn = async ([chosen]: File[]) => {
    if (!chosen) return
    try {
      const { remarks: read, said } = await readRemarkFile(chosen, person.id)
      if (read.length > 0) await keepRemarks(read)
      const came =
        read.length === 0
          ? ''
          : `${read.length === 1 ? 'One remark is' : `${read.length} remarks are`} in your list. `
      saySentence(`${came}${said ?? ''}`.trim() || 'There were no remarks in this file.')
    } catch (error) {
      sayProblem(error)
    }
  }
  return (
    <>
      <div className="mb-6 flex flex-wrap items-center gap-3 border-b border-rule pb-4">
        <h1 className="flex-1 text-head">Remarks</h1>
        <input
          type="search"
          aria-label="Find a remark"
          placeholder="Find a remark"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          className={`${INPUT} !w-52`}
        />
        <Button onClick={() => file.current?.click()}>Bring in a list</Button>
        <Button look="quiet" onClick={() => saveAsCsv(remarks.data ?? [])} disabled={!remarks.data?.length}>
          As CSV
        </Button>
        <Button look="quiet" onClick={() => saveAsJson(remarks.data ?? [])} disabled={!remarks.data?.length}>
          As JSON
        </Button>
        <FileInput
          ref={file}
          accept=".csv,.json,text/csv,application/json"
          aria-label="A list of remarks"
          onFiles={(files) => void bringIn(files)}
        />
      </div>
      <Fetched of={remarks}>{(all) => <Listed remarks={all} wanted={wanted.trim().toLowerCase()} />}</Fetched>
    </>
  )
}

function Listed({ remarks, wanted }: { remarks: readonly Remark[]; wanted: string }) {
  const [changing, setChanging] = useState<Remark>()
  if (remarks.length === 0)
    return (
      <Empty title="No remarks yet">
        While you mark, press R and write one; or pick up what you wrote and press “Keep as a remark”.
      </Empty>
    )
  const found = remarks.filter((remark) =>
    `${remark.name}\n${remark.unit}\n${wordsOfRemark(remark)}`.toLowerCase().includes(wanted),
  )
  const remove = async (remark: Remark) => {
    try {
      await changeRemark(remark.id, { gone: true })
      sayDone(`“${remark.name}” is removed. What you gave with it stays.`, () => {
        changeRemark(remark.id, { gone: false }).catch(sayProblem)
      })
    } catch (error) {
      sayProblem(error)
    }
  }
  return (
    <>
      <DataTable columns={columnsFor(setChanging, (remark) => void remove(remark))} rows={found} />
      {found.length === 0 && <p className="mt-4 text-ink-soft">No remark has these letters.</p>}
      {changing && <ChangeRemark remark={changing} onClose={() => setChanging(undefined)} />}
    </>
  )
}

const columnsFor = (
  onChange: (remark: Remark) => void,
  onRemove: (remark: Remark) => void,
): Column<Remark>[] => [
  {
    id: 'name',
    head: 'Remark',
    orderBy: ({ name }) => name,
    cell: (remark) => <b>{remark.name}</b>,
  },
  {
    id: 'looks',
    head: 'On the page',
    cell: (remark) => <RemarkPicture items={remark.items} />,
  },
  { id: 'unit', head: 'Unit', orderBy: ({ unit }) => unit || null, cell: ({ unit }) => unit },
  {
    id: 'marks',
    head: 'Marks',
    orderBy: ({ carries }) => carries,
    cell: ({ carries }) => (carries === 0 ? '' : <b className="text-madder">+{sayMarks(carries)}</b>),
  },
  {
    id: 'uses',
    head: 'Used',
    orderBy: ({ uses }) => uses,
    cell: ({ uses }) => <span className="tabular">{uses === 0 ? 'not yet' : `${uses} ×`}</span>,
  },
  {
    id: 'acts',
    head: 'What can be done',
    bare: true,
    className: 'text-right',
    cell: (remark) => (
      <span className="flex justify-end">
        <Button look="quiet" onClick={() => onChange(remark)}>
          Change
        </Button>
        <Button look="quiet" onClick={() => onRemove(remark)}>
          Remove
        </Button>
      </span>
    ),
  },
]
