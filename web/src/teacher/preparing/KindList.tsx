import { useRef, useState } from 'react'
import { useStore } from 'zustand'
import { sayNotRecorded } from '../../page/voice/recorder.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { RowButton } from '../../ui/RowButton.tsx'
import { bringFilm } from './bringFilm.ts'
import { bringPicture } from './bringPicture.ts'
import { usePreparing } from './context.ts'
import { GROUPS, kindName } from './kinds/index.ts'
import { PartOfPage } from './pages/PartOfPage.tsx'
import { putInView } from './putDown.ts'
import { putFilm } from './putFilm.ts'
import { putPicture } from './putPicture.ts'
import { pageAt } from './sheetStore.ts'
import type { Telling } from './useTelling.ts'
import { focusPage, middleOfView } from './viewNow.ts'

/** What can be put on a page, in the words of what one wants to do. By keys a thing lands in the middle of what is seen. */
export function KindList({ telling }: { telling: Telling }) {
  const { store, worksheet } = usePreparing()
  const placing = useStore(store.view, (preparing) => preparing.placing)
  const [cutting, setCutting] = useState(false)
  const pictures = useRef<HTMLInputElement>(null)
  const films = useRef<HTMLInputElement>(null)
  const sounds = useRef<HTMLInputElement>(null)
  /** How much of a film has gone to school, 0 to 1. */
  const [gone, setGone] = useState<number>()
  const here = () => ({ page: store.view.getState().at, ...middleOfView() })
  const choose = (kind: string, byKey: boolean) => {
    if (kind === 'picture') pictures.current?.click()
    else if (kind === 'film') films.current?.click()
    else if (kind === 'sound') sounds.current?.click()
    else if (kind === 'voice') void telling.speaking.begin(here()).catch(sayNotRecorded)
    else if (kind === 'part') setCutting(true)
    else {
      store.place(placing === kind ? undefined : kind)
      if (byKey && kind !== 'ink') putInView(store, pageAt(store.view.getState()), middleOfView())
      else focusPage()
    }
  }
  const take = async (files: readonly File[]) => {
    try {
      for (const file of files) putPicture(store, await bringPicture(worksheet.id, file), middleOfView())
    } catch (error) {
      sayProblem(error)
    }
  }
  const takeFilm = async (file: File) => {
    setGone(0)
    try {
      putFilm(store, await bringFilm(worksheet.id, file, setGone), middleOfView())
    } catch (error) {
      sayProblem(error)
    } finally {
      setGone(undefined)
    }
  }
  /** How much of what of this kind was brought last has gone to school, 0 to 1. */
  const going = (kind: string) => ({ film: gone, voice: telling.gone })[kind]
  return (
    <nav
      aria-label="Add to the page"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return
        store.place(undefined)
        focusPage()
        event.stopPropagation()
      }}
      className="w-[190px] shrink-0 overflow-y-auto border-r border-rule bg-card py-3 max-tablet:w-[140px]"
    >
      {GROUPS.map(([title, kinds]) => (
        <section key={title} className="mb-1">
          <h2 className="px-4 text-base">{title}</h2>
          <ul>
            {kinds.map((kind) => (
              <li key={kind}>
                <RowButton
                  here={placing === kind}
                  aria-pressed={placing === kind}
                  disabled={going(kind) !== undefined}
                  onClick={(event) => choose(kind, event.detail === 0)}
                  className="items-center py-[1.5px] pr-2 pl-5 max-tablet:py-1.5 max-tablet:pl-3"
                >
                  {kindName(kind)}
                  {going(kind) !== undefined && (
                    <span role="status" className="tabular ml-auto text-ink-soft">
                      {Math.round(going(kind)! * 100)} %
                    </span>
                  )}
                </RowButton>
              </li>
            ))}
          </ul>
        </section>
      ))}
      <FileInput
        ref={pictures}
        accept="image/png,image/jpeg,image/webp"
        multiple
        aria-label="Pictures for the page"
        onFiles={(files) => void take(files)}
      />
      <FileInput
        ref={films}
        accept="video/mp4,video/webm,.mp4,.webm,.m4v,.mov"
        aria-label="A film for the page"
        onFiles={([film]) => film && void takeFilm(film)}
      />
      <FileInput
        ref={sounds}
        accept="audio/*,.wav,.mp3,.m4a,.ogg,.webm"
        aria-label="A sound for the page"
        onFiles={([sound]) => sound && void telling.speaking.bring(sound, here()).catch(sayProblem)}
      />
      {cutting && <PartOfPage onClose={() => setCutting(false)} />}
    </nav>
  )
}
