import type { Instrument } from '@hand-back/core'
import {
  Camera,
  Clapperboard,
  ClipboardPaste,
  FileAudio,
  Image,
  type LucideIcon,
  Pin,
  Plus,
  Ruler,
  ScanLine,
  Sigma,
} from 'lucide-react'
import { useRef, useState } from 'react'
import { FileInput } from '../../ui/FileInput.tsx'
import { TileButton } from '../../ui/TileButton.tsx'
import { TakePicture } from '../camera/TakePicture.tsx'
import { PUTS } from '../kinds/index.ts'
import { OpensCard } from '../strip/OpensCard.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import { CompassesSign, FillSign, ProtractorSign } from '../strip/signs.ts'
import type { Tools } from '../tools/useTools.ts'

interface PutMenuProps {
  tools: Tools
  onPicture: (file: File) => void
  onFormula: () => void
  /** Lays a ruler or another instrument on the page. */
  onInstrument: (kind: Instrument['kind']) => void
  /** Takes a sound that was made elsewhere; left out where nothing is spoken. */
  onSound?: ((file: File) => void) | undefined
  /** Films something; left out where nothing is filmed. */
  onFilm?: (() => void) | undefined
  /** Takes work from paper; left out where no picture of it can be laid. */
  onPaper?: (() => void) | undefined
  /** Says something at a place; left out where nothing is said. */
  onPin?: (() => void) | undefined
  /** Puts what was copied last; left out while nothing was. */
  onPaste?: () => void
}

/** Everything that can be put on a page besides ink. */
export function PutMenu({
  tools,
  onPicture,
  onFormula,
  onInstrument,
  onSound,
  onFilm,
  onPaper,
  onPin,
  onPaste,
}: PutMenuProps) {
  const [open, setOpen] = useState(false)
  const file = useRef<HTMLInputElement>(null)
  const sound = useRef<HTMLInputElement>(null)
  const take = ([picture]: File[]) => picture && onPicture(picture)
  const chosen = useRef(false)
  const then = (act: () => void) => () => {
    chosen.current = true
    setOpen(false)
    act()
  }
  return (
    <TakePicture label="A picture from the camera" onPicture={onPicture}>
      {(openCamera) => (
        <>
          <OpensCard
            button={
              <StripButton
                icon={Plus}
                label="Add"
                pressed={tools.tool === 'put'}
                hint="Words, a note, a picture, lines and shapes"
              />
            }
            open={open}
            onOpen={setOpen}
            width="23.75rem"
            className="grid grid-cols-4 gap-1.5 p-3"
            onCloseAutoFocus={(event) => {
              // Keys belong to the page from now on, where what was chosen is put down.
              if (chosen.current) event.preventDefault()
              chosen.current = false
            }}
          >
            {[...PUTS].map(([putting, { name, icon }]) => (
              <Choice key={putting} icon={icon} name={name} onPress={then(() => tools.put(putting))} />
            ))}
            <Choice icon={Image} name="Picture" onPress={then(() => file.current?.click())} />
            <Choice icon={Camera} name="Camera" onPress={then(openCamera)} />
            {onPaper && <Choice icon={ScanLine} name="From paper" onPress={then(onPaper)} />}
            <Choice icon={Sigma} name="Formula" onPress={then(onFormula)} />
            <Choice icon={FillSign} name="Fill" onPress={then(() => tools.setTool('fill'))} />
            <Choice icon={Ruler} name="Ruler" onPress={then(() => onInstrument('ruler'))} />
            <Choice
              icon={ProtractorSign}
              name="Protractor"
              onPress={then(() => onInstrument('protractor'))}
            />
            <Choice icon={CompassesSign} name="Compasses" onPress={then(() => onInstrument('compasses'))} />
            {onFilm && <Choice icon={Clapperboard} name="Film" onPress={then(onFilm)} />}
            {onSound && <Choice icon={FileAudio} name="Sound" onPress={then(() => sound.current?.click())} />}
            {onPin && <Choice icon={Pin} name="Pin" onPress={then(onPin)} />}
            {onPaste && <Choice icon={ClipboardPaste} name="Paste" onPress={then(onPaste)} />}
          </OpensCard>
          {onSound && (
            <FileInput
              ref={sound}
              accept="audio/*,video/mp4,video/webm,.m4a,.webm,.ogg"
              aria-label="A sound or film for the page"
              onFiles={([first]) => first && onSound(first)}
            />
          )}
          <FileInput ref={file} accept="image/*" aria-label="A picture for the page" onFiles={take} />
        </>
      )}
    </TakePicture>
  )
}

function Choice({ icon: Icon, name, onPress }: { icon: LucideIcon; name: string; onPress: () => void }) {
  return (
    <TileButton onClick={onPress} className="h-[64px] justify-center">
      <Icon size={22} aria-hidden="true" strokeWidth={1.9} />
      {name}
    </TileButton>
  )
}
