import { zodResolver } from '@hookform/resolvers/zod'
import { type DefaultValues, type FieldValues, type Path, type PathValue, useForm } from 'react-hook-form'
import type { z } from 'zod'
import { sentenceOf } from '../api/ask.ts'

/**
 * A form whose fields are a request of the contract: each is judged by the contract's own schema before
 * anything is sent, and says under itself what is wrong. What school refuses is said under all of them.
 */
export function useRequestForm<Sent extends FieldValues, Request>(
  schema: z.ZodType<Request, Sent>,
  defaults: DefaultValues<Sent>,
  send: (sent: Sent) => Promise<void>,
) {
  const { register, handleSubmit, setError, setValue, watch, formState } = useForm<Sent>({
    resolver: zodResolver(schema, undefined, { raw: true }),
    defaultValues: defaults,
  })
  const { errors, isSubmitting } = formState
  const problemOf = (name: Path<Sent>) => errors[name]?.message as string | undefined
  return {
    /** What a `Field` needs. `digits`: nothing else is taken. */
    field: (name: Path<Sent>, digits = false) => ({
      ...register(name, {
        onChange: ({ target }) =>
          digits && setValue(name, target.value.replace(/\D/g, '') as PathValue<Sent, Path<Sent>>),
      }),
      problem: problemOf(name),
    }),
    /** What is typed now. */
    typed: watch(),
    /** Why school refused it. */
    refused: errors.root?.message,
    busy: isSubmitting,
    submit: handleSubmit(async (sent) => {
      try {
        await send(sent)
      } catch (error) {
        setError('root', { message: sentenceOf(error) })
      }
    }),
  }
}
