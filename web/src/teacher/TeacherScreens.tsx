import type { Person } from '@hand-back/core'
import { lazy, type ReactNode, Suspense, useEffect } from 'react'
import { Navigate, Route, Routes } from 'react-router'
import { outboxOf } from '../page/device/personOutbox.ts'
import { useLetterSize } from '../page/habits/useLetterSize.ts'
import { warmPapers } from '../page/paper/papers.ts'
import { importAgain } from '../ui/importAgain.ts'
import { Loading } from '../ui/Notice.tsx'
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
import { Shelf } from './shelf/Shelf.tsx'
import { WorkedCopy } from './worked/WorkedCopy.tsx'

// Only those who prepare fetch what preparing needs.
const Preparing = lazy(async () => ({
  default: (await importAgain(() => import('./preparing/Preparing.tsx'))).Preparing,
}))

const FromPaperScreen = lazy(async () => ({
  default: (await importAgain(() => import('./paper/FromPaperScreen.tsx'))).FromPaperScreen,
}))

const Room = lazy(async () => ({ default: (await importAgain(() => import('./room/Room.tsx'))).Room }))

const HelpedCopy = lazy(async () => ({
  default: (await importAgain(() => import('./room/HelpedCopy.tsx'))).HelpedCopy,
}))

const AtTheFront = lazy(async () => ({
  default: (await importAgain(() => import('./front/AtTheFront.tsx'))).AtTheFront,
}))

const FrontWindow = lazy(async () => ({
  default: (await importAgain(() => import('./front/FrontWindow.tsx'))).FrontWindow,
}))

const Board = lazy(async () => ({ default: (await importAgain(() => import('./board/Board.tsx'))).Board }))

const Answers = lazy(async () => ({
  default: (await importAgain(() => import('./answers/Answers.tsx'))).Answers,
}))

const whenFetched = (screen: ReactNode) => <Suspense fallback={<Loading />}>{screen}</Suspense>

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
      <Route path="/worksheet/:worksheet" element={whenFetched(<Preparing person={person} />)} />
      <Route path="/handout/:handout/room" element={whenFetched(<Room person={person} />)} />
      <Route path="/handout/:handout/room/:copy" element={whenFetched(<HelpedCopy person={person} />)} />
      <Route path="/handout/:handout/question/:question" element={whenFetched(<Answers person={person} />)} />
      <Route path="/handout/:handout/front" element={whenFetched(<AtTheFront person={person} />)} />
      <Route path="/handout/:handout/board" element={whenFetched(<Board person={person} />)} />
      <Route path="/handout/:handout/front/window" element={whenFetched(<FrontWindow person={person} />)} />
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
        <Route path="/handout/:handout" element={<Handout person={person} />} />
        <Route path="/handout/:handout/paper" element={whenFetched(<FromPaperScreen person={person} />)} />
      </Route>
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  )
}
