import type { Corners, WorksheetPage } from '@hand-back/core'
import { Camera, FolderOpen, RotateCw } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { FileInput } from '../../ui/FileInput.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { TakePicture } from '../camera/TakePicture.tsx'
import { CornersOnPhoto } from './CornersOnPhoto.tsx'
import { intoOwn, type LayingOn, layingPaper } from './layingPaper.ts'
import { type Kept, openPhoto, type Photo } from './openPhoto.ts'
import { printedToCompare } from './printedToCompare.ts'
import { ManySheets } from './sheets/ManySheets.tsx'
import { isPdf, SheetReading } from './sheets/reading.ts'
import { useUrl } from './useUrl.ts'

interface FromPaperProps {
  on: LayingOn
  onClose: () => void
}

/** Work that was done on paper: photographed or chosen, seen straight on and in even light, and laid on a page. */
export function FromPaper({ on, onClose }: FromPaperProps) {
  const [photo, setPhoto] = useState<Photo | 'coming'>()
  const [many, setMany] = useState<SheetReading>()
  const [trouble, setTrouble] = useState<string>()
  const file = useRef<HTMLInputElement>(null)
  useEffect(() => (typeof photo === 'object' ? photo.close : undefined), [photo])
  const open = (picture: Blob) => {
    setTrouble(undefined)
    setPhoto('coming')
    openPhoto(picture).then(setPhoto, () => {
      setPhoto(undefined)
      setTrouble('This is not a picture that can be shown. Choose another.')
    })
  }
  const choose = (files: readonly File[]) => {
    const [first] = files
    if (files.length === 1 && first && !isPdf(first)) return open(first)
    const reading = new SheetReading(intoOwn(on))
    setMany(reading)
    void reading.add(files)
  }
  if (many)
    return (
      <Dialog open onClose={onClose} title="From paper" wide>
        <ManySheets reading={many} into={intoOwn(on)} onDone={onClose} />
      </Dialog>
    )
  return (
    <Dialog open onClose={onClose} title="From paper" wide>
      <TakePicture label="A photo of your paper" onPicture={open}>
        {(openCamera) =>
          photo === undefined || photo === 'coming' ? (
            <div className="grid min-h-[220px] content-center justify-items-center gap-4 text-center">
              {photo === 'coming' ? (
                <p role="status">Looking for your paper in the photo …</p>
              ) : (
                <>
                  <p className="max-w-[420px]">
                    Lay your paper on something darker, and take a photo of all of it. It need not be
                    straight.
                  </p>
                  {trouble && <p role="alert">{trouble}</p>}
                  <div className="flex flex-wrap justify-center gap-2">
                    <Button look="main" large onClick={openCamera}>
                      <Camera size={18} aria-hidden="true" /> Take a photo
                    </Button>
                    <Button large onClick={() => file.current?.click()}>
                      <FolderOpen size={18} aria-hidden="true" /> Choose pictures
                    </Button>
                  </div>
                </>
              )}
            </div>
          ) : (
            <Straightening
              key={photo.taken.bytes.size}
              photo={photo}
              onAnother={() => setPhoto(undefined)}
              on={on}
              onClose={onClose}
            />
          )
        }
      </TakePicture>
      <FileInput
        ref={file}
        accept="image/*,application/pdf"
        multiple
        aria-label="A picture of your paper"
        onFiles={choose}
      />
    </Dialog>
  )
}

interface StraighteningProps extends FromPaperProps {
  photo: Photo
  onAnother: () => void
}

function Straightening({ photo, onAnother, on, onClose }: StraighteningProps) {
  const { copy } = on
  const { onLay, onNewPage, onItsPage } = layingPaper(on)
  const [corners, setCorners] = useState(photo.corners)
  const [put, setPut] = useState(photo.corners)
  const [laying, setLaying] = useState(false)
  const url = useUrl(photo.taken.bytes)
  const { taken, found, code } = photo
  const isOurs = code?.copy === on.copy
  const number = isOurs ? on.pages.findIndex(({ id }) => id === code.page) : -1
  const its = on.pages[number]
  const lay = async (how: (straight: Kept, taken: Kept) => void | Promise<void>, on?: WorksheetPage) => {
    setLaying(true)
    try {
      const straight = await photo.straight(on ? await cornersOn(on) : corners, on)
      if (!straight) throw new Error('the corners make no sheet')
      await how(straight, taken)
      onClose()
    } catch (error) {
      setLaying(false)
      sayProblem(error)
    }
  }
  /** What is printed says best where the page lies. */
  const cornersOn = async (its: WorksheetPage) => {
    const placed = await photo.place(await printedToCompare(copy, its), its, corners)
    return placed?.agrees ? placed.corners : corners
  }
  const turn = () => {
    const turned = [corners[3], corners[0], corners[1], corners[2]] as const
    setCorners(turned)
    setPut(turned)
  }
  return (
    <div className="grid gap-4">
      {its && <p role="status">This is page {number + 1} of your copy.</p>}
      {code && !isOurs && (
        <p role="alert" className="font-semibold">
          This sheet was printed for another copy. Look whose it is.
        </p>
      )}
      {!code && (
        <p role="status">
          {found
            ? 'Is this your paper? Move a corner where it is not right.'
            : 'Put the corners where those of your paper are.'}
        </p>
      )}
      <div className="grid gap-4 min-[640px]:grid-cols-[3fr_2fr]">
        <CornersOnPhoto
          url={url}
          width={taken.width}
          height={taken.height}
          corners={corners}
          onMove={setCorners}
          onPut={() => setPut(corners)}
        />
        <Looked photo={photo} corners={put} />
      </div>
      <div className="flex flex-wrap justify-end gap-2">
        <Button look="quiet" onClick={onAnother}>
          Another photo
        </Button>
        <Button large onClick={turn}>
          <RotateCw size={18} aria-hidden="true" /> Rotate
        </Button>
        <Button large disabled={laying} onClick={() => void lay(onNewPage)}>
          As a new page
        </Button>
        {/* Into the wrong copy nothing goes by the press that one is used to. */}
        <Button
          {...(its || (code && !isOurs) ? {} : { look: 'main' as const })}
          large
          disabled={laying}
          onClick={() => void lay(onLay)}
        >
          Lay on this page
        </Button>
        {its && (
          <Button
            look="main"
            large
            disabled={laying}
            onClick={() => void lay((straight, taken) => onItsPage(its, straight, taken), its)}
          >
            {laying ? 'One moment …' : `Lay it on page ${number + 1}`}
          </Button>
        )}
      </div>
    </div>
  )
}

/** What comes out: the sheet as it will lie on the page. */
function Looked({ photo, corners }: { photo: Photo; corners: Corners }) {
  const [seen, setSeen] = useState<Kept | 'none'>()
  useEffect(() => {
    let gone = false
    photo.look(corners).then(
      (look) => !gone && setSeen(look ?? 'none'),
      () => !gone && setSeen('none'),
    )
    return () => {
      gone = true
    }
  }, [photo, corners])
  return (
    <div className="grid min-h-[180px] place-items-center rounded-tag bg-blotter p-3">
      {seen === 'none' && <p role="alert">These corners make no sheet.</p>}
      {typeof seen === 'object' && <Sheet bytes={seen.bytes} />}
    </div>
  )
}

function Sheet({ bytes }: { bytes: Blob }) {
  return (
    <img
      src={useUrl(bytes)}
      alt="Your paper, straight"
      className="max-h-[50vh] max-w-full bg-sheet shadow-[0_2px_14px_rgb(30_43_58/0.16)]"
    />
  )
}
