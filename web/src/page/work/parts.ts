import type { ComponentType } from 'react'
import { type Closes, fetchedPart } from '../../ui/fetchedPart.tsx'
import { CameraDialog } from '../camera/cameraPart.ts'
import { InstrumentOnPage } from '../exact/LaidInstrument.tsx'
import { FillStrip } from '../fill/fillPart.ts'
import { PlayedFilm } from '../film/FilmInPlace.tsx'
import { PinMargin } from '../pins/PinsBeside.tsx'
import type { PinTagsProps } from '../pins/PinTags.tsx'

/** What nobody needs in the moment that a page opens: fetched then, not with the page. */
export const CloseUp = fetchedPart('CloseUp', () => import('../closeUp/CloseUp.tsx'))
export const FormulaDialog = fetchedPart('FormulaDialog', () => import('../things/FormulaDialog.tsx'))
export const KeysDialog = fetchedPart('KeysDialog', () => import('../keys/KeysDialog.tsx'))
export const PickedBox = fetchedPart('PickedBox', () => import('../picking/PickedBox.tsx'))
export const PagesDialog = fetchedPart('PagesDialog', () => import('../pages/PagesDialog.tsx'))
export const PrintDialog = fetchedPart('PrintDialog', () => import('../print/PrintDialog.tsx'))
export const FeedbackBar = fetchedPart('FeedbackBar', () => import('../feedback/FeedbackBar.tsx'))
export const RubricTable = fetchedPart('RubricTable', () => import('../feedback/RubricTable.tsx'))
export const LookBack = fetchedPart('LookBack', () => import('../past/LookBack.tsx'))
export const FromPaper = fetchedPart('FromPaper', () => import('../fromPaper/FromPaper.tsx'))
export const OnPaper = fetchedPart('OnPaper', () => import('../fromPaper/OnPaper.tsx'))
export const SaveDialog = fetchedPart('SaveDialog', () => import('../saving/SaveDialog.tsx'))
export const TableLines = fetchedPart('TableLines', () => import('../table/TableLines.tsx'))
export const TalkPlayer = fetchedPart('TalkPlayer', () => import('../talk/TalkPlayer.tsx'))
export const PrintedTalkPlayer = fetchedPart(
  'PrintedTalkPlayer',
  () => import('../talk/PrintedTalkPlayer.tsx'),
)

/** They are seen a moment after the page, and nobody needs them to write. */
export const PinTags = fetchedPart(
  'PinTags',
  (): Promise<{ PinTags: ComponentType<PinTagsProps & Closes> }> =>
    import('../pins/pinParts.ts').then(({ PinTags }) => ({ PinTags })),
)

/** How long the page has the network for itself, in milliseconds: what hands need for moving things comes first. */
const SOON = 300
const AFTER_OPENING = 2000

/**
 * Fetches what a network that goes away later must not take away. Returns what ends the wait. Formulas need
 * school in any case.
 */
export function warmParts(): () => void {
  const soon = setTimeout(PickedBox.warm, SOON)
  const later = setTimeout(() => {
    PagesDialog.warm()
    CloseUp.warm()
    KeysDialog.warm()
    LookBack.warm()
    TalkPlayer.warm()
    PrintedTalkPlayer.warm()
    PinMargin.warm()
    PinTags.warm()
    FeedbackBar.warm()
    RubricTable.warm()
    CameraDialog.warm()
    FromPaper.warm()
    SaveDialog.warm()
    TableLines.warm()
    PlayedFilm.warm()
    OnPaper.warm()
    FillStrip.warm()
    InstrumentOnPage.warm()
  }, AFTER_OPENING)
  return () => {
    clearTimeout(soon)
    clearTimeout(later)
  }
}
