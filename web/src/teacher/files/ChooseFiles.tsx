import { useRef } from 'react'
import { Button } from '../../ui/Button.tsx'
import { FileInput } from '../../ui/FileInput.tsx'
import { PasswordForm } from './PasswordForm.tsx'
import type { Sending } from './useSending.ts'

export const PAGE_FILES = '.pdf,.png,.jpg,.jpeg,.webp'

interface ChooseFilesProps {
  sending: Sending
  /** What stands on the button. */
  words: string
  /** What the files are for, for those who cannot see the button. */
  label: string
}

/** A button that takes PDFs and pictures, saying how far they are. */
export function ChooseFiles({ sending, words, label }: ChooseFilesProps) {
  const input = useRef<HTMLInputElement>(null)
  const part = sending.underWay?.part
  return (
    <>
      <Button onClick={() => input.current?.click()} disabled={part !== undefined}>
        {part === undefined
          ? words
          : part < 1
            ? `Sending ${Math.round(part * 100)} %`
            : 'Reading the pages …'}
      </Button>
      <FileInput
        ref={input}
        accept={PAGE_FILES}
        multiple
        aria-label={label}
        onFiles={(files) => void sending.send(files)}
      />
    </>
  )
}

/** What stands in the way of the files, under the row of the button; a locked PDF asks for its password. */
export function FilesProblem({ sending }: { sending: Sending }) {
  const { problem } = sending
  if (!problem) return null
  return (
    <div className="mb-4 max-w-[440px] rounded-md border border-rule bg-sheet p-3">
      <p role="alert" className={problem.locked ? 'mb-2 font-semibold' : 'text-madder'}>
        {problem.sentence}
      </p>
      {problem.locked && <PasswordForm sending={sending} />}
    </div>
  )
}
