import { useState } from 'react'
import { useStore } from 'zustand'
import { Button } from '../../../ui/Button.tsx'
import { Dialog } from '../../../ui/Dialog.tsx'
import { TickBox } from '../../../ui/Tick.tsx'
import { usePreparing } from '../context.ts'
import { SMALL_INPUT, TickRow } from './rows.tsx'

/** For whom something is: everyone, or some of the worksheet's sets of students. */
export function SetRow({
  sets,
  onChange,
}: {
  sets: readonly string[] | undefined
  onChange: (sets: string[] | undefined) => void
}) {
  const { store } = usePreparing()
  const all = useStore(store.view, ({ sheet }) => sheet.sets)
  const [open, setOpen] = useState(false)
  const names = sets ? all.filter(({ id }) => sets.includes(id)).map(({ name }) => name) : []
  const add = () =>
    store.change((sheet) => ({
      ...sheet,
      sets: [...sheet.sets, { id: crypto.randomUUID(), name: `Set ${letter(sheet.sets.length)}` }],
    }))
  return (
    <div className="grid grid-cols-[84px_1fr] items-center gap-2">
      <span>For</span>
      <Button onClick={() => setOpen(true)} className="!justify-start text-left">
        {sets ? names.join(', ') : 'everyone'}
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} title="For whom is this?">
        <p className="mb-3 text-ink-soft">
          Sets are groups of students with different pages, such as three levels. You choose who is in each
          set when you hand it out.
        </p>
        <TickRow label="Everyone" on={!sets} onChange={(on) => on && onChange(undefined)} />
        {all.map(({ id, name }) => (
          <div key={id} className="flex items-center gap-2 py-1">
            <TickBox
              aria-label={`For ${name}`}
              checked={sets?.includes(id) ?? false}
              onChange={(event) => {
                const next = all
                  .map((each) => each.id)
                  .filter((each) => (each === id ? event.target.checked : sets?.includes(each)))
                onChange(next.length > 0 ? next : undefined)
              }}
            />
            <input
              aria-label="Name of the set"
              className={SMALL_INPUT}
              maxLength={60}
              defaultValue={name}
              onChange={(event) => {
                const wanted = event.target.value.trim()
                if (wanted === '') return
                store.change(
                  (sheet) => ({
                    ...sheet,
                    sets: sheet.sets.map((each) => (each.id === id ? { ...each, name: wanted } : each)),
                  }),
                  `set ${id}`,
                )
              }}
            />
            <Button
              look="quiet"
              onClick={() =>
                store.change((sheet) => ({ ...sheet, sets: sheet.sets.filter((each) => each.id !== id) }))
              }
            >
              Remove
            </Button>
          </div>
        ))}
        <div className="mt-4 flex justify-between">
          <Button onClick={add} disabled={all.length >= 30}>
            Another set
          </Button>
          <Button look="main" onClick={() => setOpen(false)}>
            Done
          </Button>
        </div>
      </Dialog>
    </div>
  )
}

const letter = (index: number) => String.fromCharCode(65 + (index % 26))
