import { CALLS, type CopyWhole, type Printed, printedTalk } from '@hand-back/core'
import { useMemo } from 'react'
import { urlOf } from '../../api/ask.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { Talk } from './Talk.tsx'
import { useReplay } from './useReplay.ts'

interface PrintedTalkProps {
  copy: CopyWhole
  voice: Printed<'voice'>
  onClose: () => void
}

const fileUrl = (file: string) => urlOf(CALLS.file, { file })

/** A voice that is printed on a page: what was put there meanwhile comes as it came then. */
export function PrintedTalkPlayer({ copy, voice, onClose }: PrintedTalkProps) {
  const talk = useMemo(() => printedTalk(copy.pages, voice), [copy.pages, voice])
  const bare = useMemo(() => ({ ...copy, pages: talk ? [...talk.pages] : copy.pages }), [copy, talk])
  const replaying = useReplay(talk?.through)
  const talked = { ...voice, source: fileUrl(voice.file) }
  return (
    <Dialog open onClose={onClose} title="Talked through" wide>
      <Talk copy={bare} talked={talked} photoUrl={fileUrl} replaying={replaying} />
    </Dialog>
  )
}
