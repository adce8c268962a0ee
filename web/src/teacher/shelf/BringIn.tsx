import { CALLS, MOST_FILE_BYTES } from '@hand-back/core'
import { createContext, type ReactNode, useContext, useEffect, useRef } from 'react'
import { useNavigate } from 'react-router'
import { Problem, upload } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { FileInput } from '../../ui/FileInput.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { TakesFiles } from '../../ui/TakesFiles.tsx'
import { PAGE_FILES } from '../files/ChooseFiles.tsx'
import { PasswordForm } from '../files/PasswordForm.tsx'
import { type Sending, sayAbout, useSending } from '../files/useSending.ts'
import { FirstLook } from './FirstLook.tsx'

interface BringingIn {
  /** Lets one choose files; they become a new worksheet. */
  choose(): void
  readonly underWay: Sending['underWay']
}

const Context = createContext<BringingIn | undefined>(undefined)

export function useBringIn(): BringingIn {
  return useContext(Context)!
}

/** Takes PDFs and pictures, dropped anywhere or chosen, and makes a worksheet of them. */
export function BringIn({ children }: { children: ReactNode }) {
  const input = useRef<HTMLInputElement>(null)
  const navigate = useNavigate()

  const sending = useSending(async (files, passwords, onProgress) => {
    if (files.some((file) => file.size > MOST_FILE_BYTES))
      throw new Problem('A file may have at most 100 MB.', 413)
    const made = await upload(CALLS.bringInWorksheet, {}, files, onProgress, passwords)
    sayAbout(made)
    void refresh(CALLS.worksheets)
    await navigate(`/worksheet/${made.id}`)
  })
  const { underWay, problem } = sending
  useEffect(() => {
    if (problem && !problem.locked) sayProblem(new Problem(problem.sentence, 0))
  }, [problem])

  return (
    <Context.Provider
      value={{
        underWay,
        choose: () => input.current?.click(),
      }}
    >
      <TakesFiles
        className="relative min-h-0 flex-1 overflow-y-auto"
        words="Let go: it becomes a worksheet"
        onFiles={(files) => void sending.send(files)}
      >
        {children}
        {underWay && <FirstLook files={underWay.files} part={underWay.part} />}
      </TakesFiles>
      {problem?.locked && (
        <Dialog open onClose={sending.giveUp} title={problem.sentence}>
          <PasswordForm sending={sending} />
        </Dialog>
      )}
      <FileInput
        ref={input}
        accept={PAGE_FILES}
        multiple
        data-testid="bring-in"
        onFiles={(files) => void sending.send(files)}
      />
    </Context.Provider>
  )
}
