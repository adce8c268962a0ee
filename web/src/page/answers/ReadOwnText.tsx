import type { Printed } from '@hand-back/core'
import type { View } from '../view/view.ts'
import type { Speaking } from '../voice/speaking.ts'
import { SpeakHere } from './SpeakHere.tsx'

interface ReadOwnTextProps {
  item: Printed<'typed'>
  view: View
  speaking: Speaking
  onSpeak: () => void
}

/** A box lower than this many CSS pixels has no room for a button over what is typed. */
const ROOM = 96

/** Beside a text that was typed: its writer reads it aloud, and the recording lies with it. */
export function ReadOwnText({ item, ...rest }: ReadOwnTextProps) {
  if (item.height * rest.view.scale < ROOM) return null
  return <SpeakHere item={item} label="Read your text aloud" {...rest} />
}
