import type { Person } from '@hand-back/core'
import { useStore } from 'zustand'
import { fetchedPart } from '../../ui/fetchedPart.tsx'
import type { Writing } from '../tools/writing.ts'
import type { View } from '../view/view.ts'
import type { Instruments } from './instruments.ts'

export const InstrumentOnPage = fetchedPart('InstrumentOnPage', () => import('./InstrumentOnPage.tsx'))

interface LaidInstrumentProps {
  person: Person
  instruments: Instruments
  writing: Writing
  view: View
}

/** What lies on the page to draw along, where something does. */
export function LaidInstrument({ person, instruments, writing, view }: LaidInstrumentProps) {
  const lies = useStore(instruments.state, ({ instrument }) => instrument !== undefined)
  if (!lies) return null
  return (
    <InstrumentOnPage
      person={person}
      instruments={instruments}
      view={view}
      keep={(points) => writing.keep(points, true)}
      onClose={instruments.takeUp}
    />
  )
}
