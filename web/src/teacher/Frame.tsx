import type { Person } from '@hand-back/core'
import { NavLink, Outlet } from 'react-router'
import { useRecordingsLeft } from '../page/voice/useRecordingsLeft.ts'
import { ParcelsSign } from '../parcels/ParcelsSign.tsx'
import { OwnAccount } from '../people/OwnAccount.tsx'
import { SignOutButton } from '../people/SignOutButton.tsx'
import { Emblem } from '../ui/Emblem.tsx'
import { BringIn } from './shelf/BringIn.tsx'

const PLACES = [
  ['/', 'Desk'],
  ['/shelf', 'Shelf'],
  ['/classes', 'Classes'],
  ['/remarks', 'Remarks'],
] as const

/** The bar over a teacher's screens; a PDF or picture may be dropped anywhere below it. */
export function Frame({ person }: { person: Person }) {
  const spoken = useRecordingsLeft(person.id)
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 items-center gap-2 border-b border-rule bg-card px-6 max-handheld:px-3">
        <NavLink
          to="/"
          className="mr-4 flex items-center gap-2.5 py-2 text-ink no-underline max-handheld:mr-1"
          aria-label="Hand Back, to the desk"
        >
          <Emblem />
          <b className="font-serif text-xl max-handheld:hidden">Hand Back</b>
        </NavLink>
        <nav className="flex gap-1" aria-label="Main">
          {PLACES.map(([to, name]) => (
            <NavLink
              key={to}
              to={to}
              end={to === '/'}
              className={({ isActive }) =>
                `border-b-[3px] px-3 pt-3.5 pb-3 no-underline ${isActive ? 'border-ink font-bold text-ink' : 'border-transparent text-ink-soft hover:text-ink'}`
              }
            >
              {name}
            </NavLink>
          ))}
        </nav>
        <span className="flex-1" />
        <ParcelsSign />
        <OwnAccount person={person} />
        <SignOutButton spoken={spoken.size} />
      </header>
      <BringIn>
        <main className="mx-auto w-full max-w-[1240px] px-10 py-8 max-tablet:px-5">
          <Outlet />
        </main>
      </BringIn>
    </div>
  )
}
