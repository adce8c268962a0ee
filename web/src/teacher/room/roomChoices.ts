import { useState } from 'react'
import { z } from 'zod'
import { readNote, writeNote } from '../../deviceNotes.ts'

const NOTE = 'room'
const choices = z.object({ pale: z.boolean(), stillAfter: z.number().min(1).max(60) })
type Choices = z.infer<typeof choices>

/** How the room is looked at, remembered on this device: whether only who waits stands out, and after how many minutes somebody is still. */
export function useRoomChoices() {
  const [chosen, setChosen] = useState(remembered)
  const choose = (change: Partial<Choices>) => {
    const next = { ...chosen, ...change }
    writeNote(NOTE, JSON.stringify(next))
    setChosen(next)
  }
  return {
    ...chosen,
    setPale: (pale: boolean) => choose({ pale }),
    setStillAfter: (stillAfter: number) => choose({ stillAfter }),
  }
}

function remembered(): Choices {
  try {
    return choices.parse(JSON.parse(readNote(NOTE) ?? ''))
  } catch {
    return { pale: false, stillAfter: 4 }
  }
}
