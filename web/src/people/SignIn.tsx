import type { Door } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { lazy, Suspense, useState } from 'react'
import { queries } from '../api/queries.ts'
import { Emblem } from '../ui/Emblem.tsx'
import { importAgain } from '../ui/importAgain.ts'
import { Fetched, Loading } from '../ui/Notice.tsx'
import { TextButton } from '../ui/TextButton.tsx'
import { DemoPeople } from './DemoPeople.tsx'
import { StudentSignIn } from './StudentSignIn.tsx'

// A teacher's forms are judged by a library that no student's device needs.
const fetchForms = () => importAgain(() => import('./TeacherSignIn.tsx'))
const TeacherSignIn = lazy(async () => ({ default: (await fetchForms()).TeacherSignIn }))
const FirstTeacher = lazy(async () => ({ default: (await fetchForms()).FirstTeacher }))

/** The door: who are you? */
export function SignIn() {
  const door = useQuery(queries.door())
  return (
    <main className="mx-auto flex min-h-full w-full max-w-[1000px] flex-col items-center px-5 py-10 max-phone:py-6">
      <header className="mb-8 flex items-center gap-3 max-phone:mb-5">
        <Emblem size={40} />
        <h1 className="text-door leading-none">Hand Back</h1>
      </header>
      <Fetched of={door}>
        {(told) => (
          <Suspense fallback={<Loading />}>
            {told.firstVisit ? <FirstTeacher asksCode={told.setupCode} /> : <Ways door={told} />}
          </Suspense>
        )}
      </Fetched>
    </main>
  )
}

function Ways({ door }: { door: Door }) {
  const [teacher, setTeacher] = useState(false)
  return (
    <div
      className={`grid w-full items-start gap-6 ${door.demo ? 'handheld:grid-cols-[1fr_1.15fr]' : 'max-w-[420px]'}`}
    >
      <section className="rounded-md border border-rule bg-card p-6">
        {teacher ? (
          <Suspense fallback={<Loading />}>
            <TeacherSignIn />
          </Suspense>
        ) : (
          <StudentSignIn />
        )}
        <TextButton className="mt-1 block" onClick={() => setTeacher(!teacher)}>
          {teacher ? 'I am a student' : 'I am a teacher'}
        </TextButton>
      </section>
      {door.demo && <DemoPeople people={door.demo.people} />}
    </div>
  )
}
