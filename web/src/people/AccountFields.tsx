import { Field } from '../ui/Field.tsx'
import type { useRequestForm } from '../ui/useRequestForm.ts'

/** What a teacher's new account asks for: a name and a password. */
export function AccountFields({
  form,
}: {
  form: { field(name: 'name' | 'password'): ReturnType<ReturnType<typeof useRequestForm>['field']> }
}) {
  return (
    <>
      <Field
        label="Your name"
        autoComplete="username"
        hint="As your students know you."
        {...form.field('name')}
      />
      <Field
        label="A password"
        type="password"
        autoComplete="new-password"
        hint="At least 10 characters."
        {...form.field('password')}
      />
    </>
  )
}
