import { CALLS, LONGEST_RECORDING, type Person, type WorksheetWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { useParams } from 'react-router'
import { keyOf, queryClient, refresh } from '../../api/queries.ts'
import { readNote, writeNote } from '../../deviceNotes.ts'
import { measure } from '../../page/draw/letters.ts'
import type { Surface } from '../../page/surface/Surface.ts'
import { RecordingBar } from '../../page/voice/RecordingBar.tsx'
import { Fetched, Loading } from '../../ui/Notice.tsx'
import { sayDone, saySentence } from '../../ui/notices.ts'
import { asked } from '../asked.ts'
import { PreparingContext, usePreparing } from './context.ts'
import { deviceDrafts } from './drafts.ts'
import { KindList } from './KindList.tsx'
import { PreparingBar } from './PreparingBar.tsx'
import { PreparingPage } from './PreparingPage.tsx'
import { PagesStrip } from './pages/PagesStrip.tsx'
import { SidePanel } from './panels/SidePanel.tsx'
import { SheetKeeper, sheetCarrier } from './sheetKeeper.ts'
import { SheetStore } from './sheetStore.ts'
import { useTelling } from './useTelling.ts'
import { ViewRow } from './ViewRow.tsx'

/** Getting a worksheet ready: what can be put on a page, the page, what is picked, and the strip of pages. */
export function Preparing({ person }: { person: Person }) {
  const { worksheet: id = '' } = useParams()
  // Asked anew at every opening: a state from before would be refused when it is kept.
  const worksheet = useQuery({ ...asked.worksheet(id), staleTime: Number.POSITIVE_INFINITY, gcTime: 0 })
  return (
    <Fetched of={worksheet}>
      {(whole) => <Opening key={whole.id} worksheet={whole} person={person} />}
    </Fetched>
  )
}

const drafts = deviceDrafts()

function Opening({ worksheet, person }: { worksheet: WorksheetWhole; person: Person }) {
  const [ready, setReady] = useState<{ store: SheetStore; keeper: SheetKeeper }>()
  // biome-ignore lint/correctness/useExhaustiveDependencies: opened once; from then on this device has the latest
  useEffect(() => {
    let gone = false
    const keeper = new SheetKeeper(worksheet, sheetCarrier(worksheet.id), drafts)
    let stop = () => {}
    const leave = () => void keeper.flush()
    void drafts.get(worksheet.id).then((draft) => {
      if (gone) return
      const goesOn = draft?.revision === worksheet.revision
      const store = new SheetStore(goesOn ? draft.sheet : worksheet.sheet, measure, saySentence)
      stop = store.view.subscribe(({ sheet }) => keeper.take(sheet))
      if (goesOn) {
        keeper.take(draft.sheet)
        sayDone('Your changes from last time, not sent until now, are here again.')
      }
      setReady({ store, keeper })
    })
    addEventListener('pagehide', leave)
    return () => {
      gone = true
      stop()
      removeEventListener('pagehide', leave)
      void keeper.flush().then(() => {
        void refresh(CALLS.worksheets)
        queryClient.removeQueries({ queryKey: keyOf(CALLS.worksheet, { worksheet: worksheet.id }) })
      })
    }
  }, [worksheet.id])
  if (!ready) return <Loading />
  return (
    <PreparingContext value={{ worksheet, ...ready }}>
      <Open person={person} />
    </PreparingContext>
  )
}

function Open({ person }: { person: Person }) {
  const { store, worksheet } = usePreparing()
  const [keysShown, setKeysShown] = useState(false)
  const [surface, setSurface] = useState<Surface>()
  const [rightShown, showRight] = useRightShown()
  const telling = useTelling(store, worksheet.id, person)
  return (
    <div className="flex h-full flex-col">
      <PreparingBar onKeys={() => setKeysShown(true)} />
      <RecordingBar
        speaking={telling.speaking}
        longest={LONGEST_RECORDING}
        longestFilm={0}
        keeps={() => true}
        meanwhile="What you write, put down or turn to meanwhile comes when it is heard."
      />
      <div className="flex min-h-0 flex-1">
        <KindList telling={telling} />
        <PreparingPage
          person={person}
          keysShown={keysShown}
          onKeys={setKeysShown}
          rightShown={rightShown}
          surface={surface}
          onSurface={setSurface}
        />
        <SidePanel />
      </div>
      <PagesStrip>
        <ViewRow surface={surface} rightShown={rightShown} onRight={showRight} />
      </PagesStrip>
    </div>
  )
}

const RIGHT_SHOWN = 'what is right shown'

/** Whether what is right is seen on the page; this device remembers it. */
function useRightShown(): [shown: boolean, show: (shown: boolean) => void] {
  const [shown, setShown] = useState(() => readNote(RIGHT_SHOWN) === 'yes')
  const show = (to: boolean) => {
    writeNote(RIGHT_SHOWN, to ? 'yes' : 'no')
    setShown(to)
  }
  return [shown, show]
}
