import { madeUpSpeech } from '@hand-back/core'

const SECONDS = 12
const RATE = 16_000

/** A microphone for practice: made-up speech, over and over, until its track is stopped. */
export async function practiceVoice(): Promise<MediaStream> {
  const context = new AudioContext()
  await context.resume()
  const speech = context.createBuffer(1, SECONDS * RATE, RATE)
  speech.copyToChannel(madeUpSpeech(SECONDS, RATE), 0)
  const source = context.createBufferSource()
  source.buffer = speech
  source.loop = true
  const heard = context.createMediaStreamDestination()
  source.connect(heard)
  source.start()
  onStop(heard.stream, () => void context.close())
  return heard.stream
}

/** Calls `ended` when the tracks of a stream are stopped, which browsers tell nobody. */
export function onStop(stream: MediaStream, ended: () => void): void {
  for (const track of stream.getTracks()) {
    const stop = track.stop.bind(track)
    track.stop = () => {
      stop()
      ended()
    }
  }
}
