import type { HandoutWhole } from '@hand-back/core'
import { PenLine, X } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { useLesson, useSay } from '../room/useLesson.ts'

/** Who of the class is asked to write on a page at the front, from their own device. */
export function BoardWriter({ board }: { board: HandoutWhole }) {
  const lesson = useLesson(board.id).data?.lesson
  const say = useSay(board.id)
  const [asks, setAsks] = useState(false)
  const students = board.copies[0]?.students ?? []
  // They must have it to write on it.
  if (!lesson || students.length === 0) return null
  const writer = students.find(({ id }) => id === lesson.writer)
  const letWrite = (student: string | null) => void say({ say: 'let write', student })
  if (writer)
    return (
      <Button
        className="border-ochre bg-ochre-soft"
        title={`${writer.name} writes no more`}
        onClick={() => letWrite(null)}
      >
        <PenLine size={17} aria-hidden="true" /> {writer.name} writes <X size={16} aria-hidden="true" />
      </Button>
    )
  return (
    <>
      <Button look="quiet" onClick={() => setAsks(true)}>
        <PenLine size={17} aria-hidden="true" /> Who writes?
      </Button>
      {asks && (
        <Dialog open onClose={() => setAsks(false)} title="Who writes at the front?">
          <div className="grid max-h-[60vh] grid-cols-2 gap-2 overflow-y-auto">
            {students.map(({ id, name }) => (
              <Button
                key={id}
                onClick={() => {
                  letWrite(id)
                  setAsks(false)
                }}
              >
                {name}
              </Button>
            ))}
          </div>
        </Dialog>
      )}
    </>
  )
}
