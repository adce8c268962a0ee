import { fetchedPart } from '../../ui/fetchedPart.tsx'

/** What few people open over a page: fetched then, not with the page. */
export const FormulaDialog = fetchedPart(() =>
  import('../things/FormulaDialog.tsx').then((file) => file.FormulaDialog),
)
export const KeysDialog = fetchedPart(() => import('../keys/KeysDialog.tsx').then((file) => file.KeysDialog))
export const LookBack = fetchedPart(() => import('../past/LookBack.tsx').then((file) => file.LookBack))

/** What of it a network that goes away later must not take away. Formulas need school in any case. */
export function warmParts(): void {
  KeysDialog.warm()
  LookBack.warm()
}
