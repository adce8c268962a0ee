import type { RulingForm, WorksheetPage } from '@hand-back/core'
import { TileButton } from '../../ui/TileButton.tsx'
import { PaperThumb } from './PaperThumb.tsx'
import { RULINGS } from './rulings.ts'

/** Papers that are the same all over: a part of one shows it, so large that its lines are seen. */
const ALL_OVER: ReadonlySet<RulingForm> = new Set<RulingForm>(['ruled', 'handwriting', 'squared', 'dotted'])

/** The papers on offer, as small pages of a size at which their lines are seen. */
const SAMPLES: readonly WorksheetPage[] = RULINGS.map(([, ruling], index) => ({
  id: `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`,
  ...(ALL_OVER.has(ruling.form) ? { width: 120, height: 152 } : { width: 260, height: 330 }),
  paper: { kind: 'ruled', ruling },
  printed: [],
}))

/** The ruled papers, each shown small; `chosen`: the name of the one that is, where one stays chosen. */
export function RulingGrid({ chosen, onChoose }: { chosen?: string; onChoose: (index: number) => void }) {
  return (
    <ul className="grid grid-cols-5 gap-x-3 gap-y-3 max-tablet:grid-cols-4">
      {RULINGS.map(([name], index) => (
        <li key={name}>
          <TileButton
            chosen={chosen === undefined ? undefined : chosen === name}
            onClick={() => onChoose(index)}
            className="h-full w-full p-1.5"
          >
            <PaperThumb page={SAMPLES[index]!} width={64} label="" />
            <span className="text-sm leading-tight">{name}</span>
          </TileButton>
        </li>
      ))}
    </ul>
  )
}
