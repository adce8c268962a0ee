import type { Item, Person, Thing, WorksheetPage } from '@hand-back/core'
import { TextCursorInput } from 'lucide-react'
import { useEffect, useState } from 'react'
import { ViewMenu } from './habits/ViewMenu.tsx'
import { PageStrip } from './PageStrip.tsx'
import { PickedStrip } from './picking/PickedStrip.tsx'
import type { Picking } from './picking/usePicking.ts'
import type { Pasting } from './picking/useWorkClipboard.ts'
import { readAloud, wordsToRead } from './readAloud.ts'
import { StripButton } from './StripButton.tsx'
import type { Surface } from './Surface.ts'
import { PutMenu } from './things/PutMenu.tsx'
import type { Tools } from './useTools.ts'
import type { Recorded } from './voice/recorder.ts'
import { SpeakButton } from './voice/SpeakButton.tsx'
import { ZoomButtons } from './ZoomButtons.tsx'

interface WorkingStripProps {
  person: Person
  tools: Tools
  surface: Surface | undefined
  picking: Picking
  pasting: Pasting
  upright: boolean
  page: WorksheetPage
  items: readonly Item[]
  canUndo: boolean
  canRedo: boolean
  onUndo: () => void
  onRedo: () => void
  /** Writing large is open. */
  large: boolean
  onLarge: () => void
  onWords: (thing: Thing) => void
  onFormula: (thing: Thing | undefined) => void
  onLookBack?: () => void
  onClear: () => void
  onRecorded: (recorded: Recorded) => void
}

/** A student's row of tools: pens, or what can be done with what is picked up. */
export function WorkingStrip(props: WorkingStripProps) {
  const { tools, picking, pasting, page, items, upright } = props
  const hasVoice = useVoice()
  const picked = picking.items.length > 0
  return (
    <PageStrip
      tools={tools}
      upright={upright}
      picks
      canUndo={props.canUndo}
      canRedo={props.canRedo}
      onUndo={props.onUndo}
      onRedo={props.onRedo}
      {...(picked
        ? {
            picked: (
              <PickedStrip
                picking={picking}
                onCopy={pasting.copy}
                onWords={props.onWords}
                onFormula={props.onFormula}
              />
            ),
          }
        : {})}
    >
      {!picked && (
        <>
          <PutMenu
            tools={tools}
            upright={upright}
            onPicture={(file) => void pasting.addPicture(file)}
            onFormula={() => props.onFormula(undefined)}
            {...(pasting.hasLast() ? { onPaste: pasting.pasteLast } : {})}
          />
          <SpeakButton onRecorded={props.onRecorded} />
          <StripButton
            icon={TextCursorInput}
            label="Write large"
            pressed={props.large}
            onClick={props.onLarge}
          />
          {!upright && <ZoomButtons surface={props.surface} />}
          <ViewMenu
            person={props.person}
            surface={props.surface}
            upright={upright}
            {...(props.onLookBack ? { onLookBack: props.onLookBack } : {})}
            onClear={props.onClear}
            {...(hasVoice ? { onRead: () => readAloud(wordsToRead(page, items)) } : {})}
          />
        </>
      )}
    </PageStrip>
  )
}

/** Whether this device has a voice to read with; voices are told a while after the start. */
function useVoice(): boolean {
  const [has, setHas] = useState(false)
  useEffect(() => {
    const voice = globalThis.speechSynthesis
    if (!voice) return
    const look = () => setHas(voice.getVoices().length > 0)
    look()
    voice.addEventListener('voiceschanged', look)
    return () => voice.removeEventListener('voiceschanged', look)
  }, [])
  return has
}
