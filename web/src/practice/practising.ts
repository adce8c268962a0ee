import { dropNote, readNote, writeNote } from '../deviceNotes.ts'

/** This browser's note that it uses the practice microphone and camera. */
export const PRACTISING = 'practice devices'

/** Whether the practice microphone and camera stand in for this device's own. */
export const isPractising = (): boolean => readNote(PRACTISING) !== null

export function practise(on: boolean): void {
  if (on) writeNote(PRACTISING, 'on')
  else dropNote(PRACTISING)
}
