import { type WorksheetWhole, worksheetWhole } from '@hand-back/core'
import { createContext, type DragEvent, type ReactNode, useContext, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import type { z } from 'zod'
import { Problem, upload } from '../../api/ask.ts'
import { queryClient } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Field } from '../../ui/Field.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { FirstLook } from './FirstLook.tsx'

const TYPES = '.pdf,.png,.jpg,.jpeg,.webp'
const MOST_BYTES = 100 * 1024 * 1024

interface UnderWay {
  readonly files: readonly File[]
  /** How much has been sent, from 0 to 1; after that the server reads. */
  readonly part: number
}

interface BringingIn {
  /** Lets one choose files; they become a new worksheet. */
  choose(): void
  readonly underWay: UnderWay | undefined
}

const Context = createContext<BringingIn | undefined>(undefined)

export function useBringIn(): BringingIn {
  return useContext(Context)!
}

/** Takes PDFs and pictures, dropped anywhere or chosen, and makes a worksheet of them. */
export function BringIn({ children }: { children: ReactNode }) {
  const [underWay, setUnderWay] = useState<UnderWay>()
  const [over, setOver] = useState(false)
  const [locked, setLocked] = useState<{ files: readonly File[]; sentence: string }>()
  const input = useRef<HTMLInputElement>(null)
  const navigate = useNavigate()

  const take = async (files: readonly File[], password?: string) => {
    if (files.length === 0 || underWay) return
    if (files.some((file) => file.size > MOST_BYTES)) {
      sayProblem(new Problem('A file may have at most 100 MB.', 413))
      return
    }
    setUnderWay({ files, part: 0 })
    try {
      const made = await upload(
        worksheetWhole as z.ZodType<WorksheetWhole>,
        '/worksheets',
        files,
        (part) => setUnderWay({ files, part }),
        password,
      )
      setLocked(undefined)
      void queryClient.invalidateQueries({ queryKey: ['worksheets'] })
      await navigate(`/worksheet/${made.id}`)
    } catch (error) {
      const isLocked = error instanceof Problem && error.status === 423
      if (isLocked) setLocked({ files, sentence: error.message })
      else sayProblem(error)
    } finally {
      setUnderWay(undefined)
    }
  }

  const holdsFiles = (event: DragEvent) => event.dataTransfer.types.includes('Files')
  return (
    <Context.Provider
      value={{
        underWay,
        choose: () => input.current?.click(),
      }}
    >
      {/* biome-ignore lint/a11y/noStaticElementInteractions: dropping is a second way; the button is the first */}
      <div
        className="relative min-h-0 flex-1 overflow-y-auto"
        onDragOver={(event) => {
          if (!holdsFiles(event)) return
          event.preventDefault()
          setOver(true)
        }}
        onDragLeave={(event) => event.currentTarget === event.target && setOver(false)}
        onDrop={(event) => {
          event.preventDefault()
          setOver(false)
          void take([...event.dataTransfer.files])
        }}
      >
        {children}
        {over && (
          <div className="pointer-events-none fixed inset-4 z-30 grid place-items-center rounded-md border-[3px] border-dashed border-verdigris bg-card/90">
            <p className="font-serif text-2xl font-semibold">Let go: it becomes a worksheet</p>
          </div>
        )}
        {underWay && <FirstLook files={underWay.files} part={underWay.part} />}
      </div>
      {locked && (
        <LockedPdf
          sentence={locked.sentence}
          onPassword={(password) => void take(locked.files, password)}
          onClose={() => setLocked(undefined)}
        />
      )}
      <input
        ref={input}
        type="file"
        accept={TYPES}
        multiple
        className="hidden"
        data-testid="bring-in"
        onChange={(event) => {
          void take([...(event.target.files ?? [])])
          event.target.value = ''
        }}
      />
    </Context.Provider>
  )
}

/** A PDF that opens only with its password. */
function LockedPdf({
  sentence,
  onPassword,
  onClose,
}: {
  sentence: string
  onPassword: (password: string) => void
  onClose: () => void
}) {
  const [password, setPassword] = useState('')
  return (
    <Dialog open onClose={onClose} title={sentence}>
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          onPassword(password)
        }}
      >
        <div className="flex-1">
          <Field
            label="Its password"
            type="password"
            autoComplete="off"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
          />
        </div>
        <Button type="submit" look="main">
          Open it
        </Button>
      </form>
      <p className="mt-3 text-ink-soft">It is kept without its lock, so that students can see it.</p>
    </Dialog>
  )
}
