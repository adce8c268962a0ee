import { CALLS, type Person } from '@hand-back/core'
import { useEffect } from 'react'
import { Navigate, Route, Routes } from 'react-router'
import { live } from '../api/live.ts'
import { refresh } from '../api/queries.ts'
import { workOffline } from '../offline/offline.ts'
import { warmLogs } from '../page/device/logCache.ts'
import { outboxOf } from '../page/device/personOutbox.ts'
import { useLetterSize } from '../page/habits/useLetterSize.ts'
import { warmPapers } from '../page/paper/papers.ts'
import { warmDoor } from '../people/door.ts'
import { Copy } from './Copy.tsx'
import { Tray } from './Tray.tsx'

/** A student's screens. What they made before, on this device, is sent as soon as they are here. */
export default function StudentScreens({ person }: { person: Person }) {
  useLetterSize(person)
  useEffect(() => {
    outboxOf(person.id)
    warmPapers()
    warmLogs()
    workOffline(warmDoor())
    const changed = () => void refresh(CALLS.tray)
    live().on('tray', changed)
    return () => void live().off('tray', changed)
  }, [person.id])
  return (
    <Routes>
      <Route path="/" element={<Tray person={person} />} />
      <Route path="/copy/:copy" element={<Copy person={person} />} />
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  )
}
