import { useQuery } from '@tanstack/react-query'
import { lazy, Suspense } from 'react'
import { Navigate, Route, Routes } from 'react-router'
import { queries } from './api/queries.ts'
import { fetchInvitation, fetchSignIn, fetchSlipSignIn } from './people/door.ts'
import { importAgain } from './ui/importAgain.ts'
import { Fetched, Loading } from './ui/Notice.tsx'

// A student's device never fetches the teacher's screens, and the other way round.
const TeacherScreens = lazy(() => importAgain(() => import('./teacher/TeacherScreens.tsx')))
const SignIn = lazy(fetchSignIn)
const SlipSignIn = lazy(fetchSlipSignIn)
const Invitation = lazy(fetchInvitation)
const StudentScreens = lazy(() => importAgain(() => import('./student/StudentScreens.tsx')))

export function App() {
  const me = useQuery(queries.me())
  return (
    <Fetched of={me}>
      {(person) => (
        <Suspense fallback={<Loading />}>
          <Routes>
            <Route path="/slip/:token" element={<SlipSignIn here={person} />} />
            <Route path="/colleague/:token" element={<Invitation here={person} />} />
            {person === null && <Route path="*" element={<SignIn />} />}
            {person?.role === 'teacher' && <Route path="/*" element={<TeacherScreens person={person} />} />}
            {person?.role === 'student' && <Route path="/*" element={<StudentScreens person={person} />} />}
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </Suspense>
      )}
    </Fetched>
  )
}
