import { PencilLine } from 'lucide-react'
import { StripButton } from '../strip/StripButton.tsx'
import type { LaidKind } from './laidKind.ts'

export const formula = {
  Change: ({ thing, onFormula }) => (
    <StripButton icon={PencilLine} label="Formula" onClick={() => onFormula(thing)} />
  ),
} satisfies LaidKind<'formula'>
