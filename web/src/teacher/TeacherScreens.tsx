import type { Person } from '@hand-back/core'
import { useEffect } from 'react'
import { Navigate, Route, Routes } from 'react-router'
import { outboxOf } from '../page/device/personOutbox.ts'
import { useLetterSize } from '../page/habits/useLetterSize.ts'
import { warmPapers } from '../page/paper/papers.ts'
import { Classes } from './classes/Classes.tsx'
import { ClassMail } from './classes/ClassMail.tsx'
import { ClassPage } from './classes/ClassPage.tsx'
import { Desk } from './Desk.tsx'
import { Frame } from './Frame.tsx'
import { HandingOut } from './handout/HandingOut.tsx'
import { Handout } from './handout/Handout.tsx'
import { Marking } from './marking/Marking.tsx'
import { AsStudent } from './preparing/AsStudent.tsx'
import { Remarks } from './remarks/Remarks.tsx'
import {
  Answers,
  AtTheFront,
  Board,
  ClassMarks,
  FromPaperScreen,
  FrontWindow,
  HelpedCopy,
  Preparing,
  Room,
  StudentMarks,
} from './screens.ts'
import { Shelf } from './shelf/Shelf.tsx'
import { WorkedCopy } from './worked/WorkedCopy.tsx'

/** A teacher's screens: most within the frame, marking and preparing with the whole window. */
export default function TeacherScreens({ person }: { person: Person }) {
  useLetterSize(person)
  useEffect(() => {
    outboxOf(person.id)
    warmPapers()
  }, [person.id])
  return (
    <Routes>
      <Route path="/handout/:handout/pile/:copy" element={<Marking person={person} />} />
      <Route path="/worksheet/:worksheet" element={<Preparing person={person} />} />
      <Route path="/handout/:handout/room" element={<Room person={person} />} />
      <Route path="/handout/:handout/room/:copy" element={<HelpedCopy person={person} />} />
      <Route path="/handout/:handout/question/:question" element={<Answers person={person} />} />
      <Route path="/handout/:handout/front" element={<AtTheFront person={person} />} />
      <Route path="/handout/:handout/board" element={<Board person={person} />} />
      <Route path="/handout/:handout/front/window" element={<FrontWindow person={person} />} />
      <Route path="/worksheet/:worksheet/as-a-student" element={<AsStudent person={person} />} />
      <Route path="/worksheet/:worksheet/worked" element={<WorkedCopy person={person} />} />
      <Route element={<Frame person={person} />}>
        <Route path="/" element={<Desk />} />
        <Route path="/shelf" element={<Shelf />} />
        <Route path="/worksheet/:worksheet/hand-out" element={<HandingOut />} />
        <Route path="/remarks" element={<Remarks person={person} />} />
        <Route path="/classes" element={<Classes />} />
        <Route path="/class/:class" element={<ClassPage person={person} />} />
        <Route path="/class/:class/mail" element={<ClassMail />} />
        <Route path="/class/:class/marks" element={<ClassMarks />} />
        <Route path="/class/:class/marks/:student" element={<StudentMarks />} />
        <Route path="/handout/:handout" element={<Handout person={person} />} />
        <Route path="/handout/:handout/paper" element={<FromPaperScreen person={person} />} />
      </Route>
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  )
}
