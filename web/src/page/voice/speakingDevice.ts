import { hear, lengthOf } from './hear.ts'
import { heldRecordings, holdRecording } from './heldRecordings.ts'
import { readFilm } from './readFilm.ts'
import { Recorder } from './recorder.ts'
import { RecordingsHere } from './recordingsHere.ts'
import type { Device } from './speaking.ts'

/** What of this device speaking needs. */
export const speakingDevice = (): Device => ({
  here: new RecordingsHere(),
  record: Recorder.start,
  hear,
  lengthOf,
  look: readFilm,
  hold: holdRecording,
  held: heldRecordings,
})
