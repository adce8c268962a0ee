import { filmFrames, Replay, type TalkThrough } from '@hand-back/core'
import {
  type AudioCodec,
  AudioSampleSink,
  AudioSampleSource,
  BlobSource,
  BufferTarget,
  CanvasSource,
  EncodedAudioPacketSource,
  EncodedPacketSink,
  getFirstEncodableAudioCodec,
  getFirstEncodableVideoCodec,
  Input,
  type InputAudioTrack,
  MP3,
  MP4,
  Mp4OutputFormat,
  OGG,
  Output,
  QTFF,
  type VideoCodec,
  WAVE,
  WEBM,
  WebMOutputFormat,
} from 'mediabunny'
import { type FilmOf, FilmPainter } from './FilmPainter.ts'

/** What recordings are kept as, and sounds that were made elsewhere. */
const SOUNDS = [WEBM, MP4, OGG, MP3, WAVE, QTFF]
/** Pictures a second while something is written, where the eye sees a pen move. */
const RATE = 12
/** Bits a second: a page is still but for a line that grows. */
const PICTURE_BITS = 600_000
const SOUND_BITS = 48_000
/** So long the film is worked on at a time, in milliseconds: a hand that writes meanwhile comes first. */
const AT_A_TIME = 24
/** How far the sound goes ahead of the pictures, in seconds: a player needs both at the same place of the file. */
const AHEAD = 0.5

export interface Film {
  readonly bytes: ArrayBuffer
  readonly type: 'video/webm' | 'video/mp4'
}

interface MakeFilm extends FilmOf {
  readonly through: TalkThrough
  /** The recording as it was kept. */
  readonly sound: Blob
  /** Ends the work: what was made is let go, and the promise rejects. */
  readonly stopped: AbortSignal
  /** Told how much of it is made, from 0 to 1. */
  onPart(part: number): void
}

/** This device has no way to make films. */
export class NoFilms extends Error {
  override readonly name = 'NoFilms'
}

/**
 * A talk-through as a film, drawn and encoded here (WebCodecs): WebM where the sound is what goes into one, else MP4.
 * The sound is taken over as it is where that is possible. Rejects with `NoFilms`, when `stopped`, and when a page or
 * the sound cannot be read.
 */
export async function makeFilm({ through, sound, stopped, onPart, ...of }: MakeFilm): Promise<Film> {
  if (typeof VideoEncoder === 'undefined') throw new NoFilms()
  const heard = await new Input({
    source: new BlobSource(sound),
    formats: SOUNDS,
  }).getPrimaryAudioTrack()
  const painter = new FilmPainter(of)
  const { width, height } = painter.canvas
  const able = (codecs: VideoCodec[]) =>
    getFirstEncodableVideoCodec(codecs, { width, height, bitrate: PICTURE_BITS })
  // A voice in AAC comes from devices whose players want MP4.
  const mp4 = (await heard?.getCodec()) === 'aac' ? await able(['avc']) : null
  const codec = mp4 ?? (await able(['vp9', 'vp8'])) ?? (await able(['avc']))
  if (!codec) throw new NoFilms()
  const format = codec === 'avc' ? new Mp4OutputFormat() : new WebMOutputFormat()
  const output = new Output({ format, target: new BufferTarget() })
  const pictures = new CanvasSource(painter.canvas, { codec, bitrate: PICTURE_BITS, keyFrameInterval: 5 })
  output.addVideoTrack(pictures, { frameRate: RATE })
  const voice = heard && (await voiceInto(output, heard, format.getSupportedAudioCodecs()))
  await output.start()
  try {
    const { seconds } = through
    let rested = performance.now()
    for (const frame of filmFrames(new Replay(through), RATE)) {
      stopped.throwIfAborted()
      await painter.paint(frame)
      await pictures.add(frame.second, frame.seconds)
      await voice?.(frame.second + frame.seconds + AHEAD)
      onPart((frame.second + frame.seconds) / seconds)
      if (performance.now() - rested > AT_A_TIME) {
        await aTurn()
        rested = performance.now()
      }
    }
    await voice?.(Number.POSITIVE_INFINITY)
    await output.finalize()
  } catch (error) {
    await output.cancel()
    throw error
  }
  return { bytes: output.target.buffer!, type: codec === 'avc' ? 'video/mp4' : 'video/webm' }
}

/** Puts a voice into a film piece by piece: what is returned takes it on to a second. */
async function voiceInto(
  output: Output,
  heard: InputAudioTrack,
  taken: readonly AudioCodec[],
): Promise<((until: number) => Promise<void>) | undefined> {
  const codec = await heard.getCodec()
  const decoderConfig = await heard.getDecoderConfig()
  if (codec && decoderConfig && taken.includes(codec)) {
    const source = new EncodedAudioPacketSource(codec)
    output.addAudioTrack(source)
    return inTurn(new EncodedPacketSink(heard).packets(), (packet) => source.add(packet, { decoderConfig }))
  }
  const other = await getFirstEncodableAudioCodec([...taken], { bitrate: SOUND_BITS })
  if (!other) return undefined
  const source = new AudioSampleSource({ codec: other, bitrate: SOUND_BITS })
  output.addAudioTrack(source)
  return inTurn(new AudioSampleSink(heard).samples(), async (sample) => {
    await source.add(sample)
    sample.close()
  })
}

/** Gives pieces on as far as they begin before a second; the next call goes on where this one ended. */
function inTurn<Piece extends { readonly timestamp: number }>(
  pieces: AsyncGenerator<Piece, void>,
  give: (piece: Piece) => Promise<void>,
): (until: number) => Promise<void> {
  let waiting: Piece | undefined
  return async (until) => {
    for (;;) {
      if (!waiting) {
        const next = await pieces.next()
        if (next.done) return
        waiting = next.value
      }
      if (waiting.timestamp >= until) return
      await give(waiting)
      waiting = undefined
    }
  }
}

/** Lets everything else that waits have its turn; unlike a timer, also in a window that is not seen. */
function aTurn(): Promise<void> {
  return new Promise((done) => {
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = () => {
      port1.close()
      done()
    }
    port2.postMessage(null)
  })
}
