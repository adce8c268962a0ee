import { fetchedPart } from '../../ui/fetchedPart.tsx'

/** What nobody needs in the moment that a page opens: fetched then, not with the page. */
export const FormulaDialog = fetchedPart('FormulaDialog', () => import('../things/FormulaDialog.tsx'))
export const KeysDialog = fetchedPart('KeysDialog', () => import('../keys/KeysDialog.tsx'))
export const PickedBox = fetchedPart('PickedBox', () => import('../picking/PickedBox.tsx'))
export const LookBack = fetchedPart('LookBack', () => import('../past/LookBack.tsx'))

/** What of it a network that goes away later must not take away. Formulas need school in any case. */
export function warmParts(): void {
  KeysDialog.warm()
  LookBack.warm()
  PickedBox.warm()
}
