import { CALLS, firstTeacher, teacherSignIn } from '@hand-back/core'
import { Field } from '../ui/Field.tsx'
import { RequestForm } from '../ui/RequestForm.tsx'
import { useRequestForm } from '../ui/useRequestForm.ts'
import { AccountFields } from './AccountFields.tsx'
import { signInBy } from './welcome.ts'

export function TeacherSignIn() {
  const form = useRequestForm(teacherSignIn, { name: '', password: '' }, (sent) =>
    signInBy(CALLS.signInTeacher, sent),
  )
  const { name, password } = form.typed
  return (
    <RequestForm form={form} send="Come in" ready={name.trim() !== '' && password !== ''} large>
      <h2 className="text-2xl">Teacher</h2>
      <Field label="Name" autoComplete="username" {...form.field('name')} />
      <Field label="Password" type="password" autoComplete="current-password" {...form.field('password')} />
    </RequestForm>
  )
}

/** The first visit to a new school makes the first teacher's account. */
export function FirstTeacher({ asksCode }: { asksCode: boolean }) {
  const none = { name: '', password: '', ...(asksCode ? { setupCode: '' } : {}) }
  const form = useRequestForm(firstTeacher, none, (sent) => signInBy(CALLS.firstTeacher, sent))
  return (
    <RequestForm
      form={form}
      send="Begin"
      large
      className="flex w-full max-w-[420px] flex-col gap-4 rounded-md border border-rule bg-card p-6"
    >
      <h2 className="text-2xl">Welcome. Who are you?</h2>
      <p className="text-ink-soft">Nobody has been here before. This makes the first teacher’s account.</p>
      {asksCode && (
        <Field
          label="Setup code"
          autoComplete="off"
          autoCapitalize="characters"
          hint="It stands where Hand Back was started, so that nobody else on the network becomes the teacher."
          {...form.field('setupCode')}
        />
      )}
      <AccountFields form={form} />
    </RequestForm>
  )
}
