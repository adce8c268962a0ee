import { CALLS, type Person } from '@hand-back/core'
import { ExternalLink } from 'lucide-react'
import { useEffect, useState } from 'react'
import { isPractising, practise } from '../practice/practising.ts'
import { SEAT } from '../seat.ts'
import { sayProblem } from '../ui/notices.ts'
import { Tick } from '../ui/Tick.tsx'
import { signInBy } from './welcome.ts'

/** A place of its own for each made-up person, so that several can be open in tabs of one browser. */
function seatOf(person: Person): string {
  const name = person.name
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
  return `/as/${name.slice(0, 40) || 'somebody'}/`
}

/** Whether this tab sits at the seat of a person already. */
const sitsAt = (person: Person) => `${SEAT}/` === seatOf(person)

/** The made-up people of the demo, one tap each. */
export function DemoPeople({ people }: { people: readonly Person[] }) {
  const teachers = people.filter(({ role }) => role === 'teacher')
  const students = people.filter(({ role }) => role === 'student')
  const waiting = people.find(sitsAt)
  const [practises, setPractises] = useState(isPractising)
  useEffect(() => {
    if (waiting) signInBy(CALLS.signInDemo, { person: waiting.id }).catch(sayProblem)
  }, [waiting])
  return (
    <section className="rounded-md border border-ochre-fill bg-ochre-soft p-6">
      <h2 className="text-2xl">This is the demo</h2>
      <p className="mt-1 mb-4 text-ink">
        Everybody at Saltmarsh School is made up. Press a name to be them, here or in a new tab (
        <ExternalLink size={14} className="inline" aria-hidden="true" />
        ): open a teacher and two students side by side and try both ends.
      </p>
      <Tick
        className="mb-3"
        ticked={practises}
        onTick={(on) => {
          practise(on)
          setPractises(on)
        }}
      >
        <span>
          Practice microphone and camera{' '}
          <span className="text-ink-soft">(made-up speech, a moving picture)</span>
        </span>
      </Tick>
      <ul className="flex flex-wrap gap-2">
        {teachers.map((person) => (
          <PersonLinks key={person.id} person={person} />
        ))}
      </ul>
      <h3 className="mt-4 mb-2 text-lg">Students</h3>
      <ul className="grid max-h-[42vh] grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-2 overflow-y-auto p-1">
        {students.map((person) => (
          <PersonLinks key={person.id} person={person} />
        ))}
      </ul>
    </section>
  )
}

function PersonLinks({ person }: { person: Person }) {
  const seat = seatOf(person)
  return (
    <li className="flex min-w-0 flex-1 rounded-tag border border-rule bg-sheet">
      <a
        href={seat}
        className="flex min-h-[44px] min-w-0 flex-1 items-center gap-2 px-3 font-semibold no-underline hover:bg-card"
      >
        <span className="truncate">{person.name}</span>
        {person.role === 'teacher' && <span className="font-normal text-ink-soft">teacher</span>}
      </a>
      <a
        href={seat}
        target="_blank"
        rel="noreferrer"
        aria-label={`${person.name} in a new tab`}
        className="grid w-[44px] place-items-center border-l border-rule text-ink-soft hover:bg-card"
      >
        <ExternalLink size={17} aria-hidden="true" />
      </a>
    </li>
  )
}
