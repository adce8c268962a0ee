import type { Person } from '@hand-back/core'
import { useEffect } from 'react'
import { Navigate, Route, Routes } from 'react-router'
import { outboxOf } from '../page/device/personOutbox.ts'
import { warmPapers } from '../page/paper/papers.ts'
import { Classes } from './classes/Classes.tsx'
import { ClassPage } from './classes/ClassPage.tsx'
import { Desk } from './Desk.tsx'
import { Frame } from './Frame.tsx'
import { HandingOut } from './handout/HandingOut.tsx'
import { Handout } from './handout/Handout.tsx'
import { Marking } from './marking/Marking.tsx'
import { Shelf } from './shelf/Shelf.tsx'
import { Worksheet } from './shelf/Worksheet.tsx'

/** A teacher's screens: most within the frame, marking with the whole window. */
export default function TeacherScreens({ person }: { person: Person }) {
  useEffect(() => {
    outboxOf(person.id)
    warmPapers()
  }, [person.id])
  return (
    <Routes>
      <Route path="/handout/:handout/pile/:copy" element={<Marking person={person} />} />
      <Route element={<Frame person={person} />}>
        <Route path="/" element={<Desk />} />
        <Route path="/shelf" element={<Shelf />} />
        <Route path="/worksheet/:worksheet" element={<Worksheet />} />
        <Route path="/worksheet/:worksheet/hand-out" element={<HandingOut />} />
        <Route path="/classes" element={<Classes />} />
        <Route path="/class/:class" element={<ClassPage />} />
        <Route path="/handout/:handout" element={<Handout />} />
      </Route>
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  )
}
