import { readMarks } from '@hand-back/core'
import { Field } from '../../ui/Field.tsx'

/** The marks that are typed for a remark, in hundredths; nothing typed: none. Undefined: they are no marks. */
export const carriesIn = (typed: string): number | undefined => (typed.trim() === '' ? 0 : readMarks(typed))

/** What a remark gives where it is put, typed as marks are. */
export function CarriesField({
  typed,
  onType,
  problem,
}: {
  typed: string
  onType: (typed: string) => void
  /** What else went wrong. */
  problem: string | undefined
}) {
  return (
    <Field
      label="Marks it gives, if any"
      inputMode="decimal"
      value={typed}
      onChange={(event) => onType(event.target.value)}
      problem={carriesIn(typed) === undefined ? 'A number, such as ½.' : problem}
    />
  )
}
