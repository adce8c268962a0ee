import type { Heard } from '@hand-back/core'
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import { Problem } from '../../api/ask.ts'
import type { Hears } from './recorder.ts'
import type { RecordingHere } from './recordingsHere.ts'
import { type Device, type Made, Speaking } from './speaking.ts'

beforeEach(() => void jest.useFakeTimers())
afterEach(() => void jest.useRealTimers())

const HEARD: Heard = { peaks: 'AB', loudness: -20, from: 0, to: 2 }
const SPOT = { page: 'page', x: 10, y: 20 }
const sound = (said: string) => new Blob([said])

/** A device with a microphone that says what it is told, and the pages of one copy. */
function tablet() {
  const kept = new Map<string, { recording: RecordingHere; pieces: Blob[] }>()
  const held = new Set<string>()
  const laid: Made[] = []
  const around = { reached: true }
  const microphone = {
    seconds: 0,
    hears: undefined as Hears | undefined,
    picture: undefined as MediaStream | undefined,
    dropped: false,
  }
  const device: Device = {
    here: {
      add: async (recording, piece) => {
        const pieces = [...(kept.get(recording.id)?.pieces ?? []), piece]
        kept.set(recording.id, { recording, pieces })
      },
      of: async (person) =>
        [...kept.values()].map(({ recording }) => recording).filter((each) => each.person === person),
      whole: async ({ id, seconds }) => ({ bytes: new Blob(kept.get(id)?.pieces), seconds }),
      drop: async (id) => void kept.delete(id),
    },
    record: async (_longest, hears) => {
      microphone.hears = hears
      return {
        get seconds() {
          return microphone.seconds
        },
        picture: microphone.picture,
        strength: 0.5,
        pause() {},
        resume() {},
        stop: () => hears.onEnd({ bytes: sound('all'), seconds: microphone.seconds }),
        drop: () => {
          microphone.dropped = true
        },
      }
    },
    hear: async () => HEARD,
    lengthOf: async (bytes) => {
      if (bytes.size === 0) throw new Error('no sound')
      return bytes.size
    },
    look: async () => undefined,
    hold: (id) => {
      held.add(id)
      return () => void held.delete(id)
    },
    held: async () => held,
  }
  const open = (person = 'teodor', copy = 'copy') =>
    new Speaking(
      {
        person,
        copy,
        longest: 300,
        longestFilm: 120,
        openPage: () => 'page',
        lay: async (made) => {
          if (!around.reached) throw new Problem('School cannot be reached.', 0)
          laid.push(made)
        },
        lies: (id) => laid.some((each) => each.id === id),
      },
      device,
    )
  const speak = async (speaking: Speaking, seconds = 2) => {
    await speaking.begin(SPOT)
    for (let second = 1; second <= seconds; second++) {
      microphone.seconds = second
      microphone.hears!.onPiece(sound(String(second)), second)
    }
    await settled()
  }
  return { kept, laid, around, held, device, microphone, open, speak }
}

const settled = () => jest.advanceTimersByTimeAsync(200)
const now = (speaking: Speaking) => speaking.state.getState().is

describe('speaking on a copy', () => {
  test('each second is on the device as it is spoken, and what is kept lies on its page, heard and in words', async () => {
    const { kept, laid, open, speak } = tablet()
    const speaking = open()
    await speak(speaking, 3)
    expect(now(speaking)).toBe('recording')
    expect([...kept.values()].map(({ recording, pieces }) => [recording.seconds, pieces.length])).toEqual([
      [3, 3],
    ])
    speaking.stop()
    await settled()
    speaking.say('  The ebb. ')
    await speaking.keep()
    expect(laid).toMatchObject([{ ...SPOT, seconds: 3, heard: HEARD, words: 'The ebb.', left: false }])
    expect(now(speaking)).toBe('silent')
    // As long as the copy is open it may not have reached the outbox; then the device needs it no longer.
    expect(kept.size).toBe(1)
    speaking.close()
    await settled()
    expect(kept.size).toBe(0)
  })

  test('what a tab left is offered to whoever spoke it, in that copy, once, and not while a tab has it', async () => {
    const { kept, laid, held, open, speak } = tablet()
    const first = open()
    await speak(first)
    const [id] = kept.keys()
    const offered = async (person?: string, copy?: string) => {
      const speaking = open(person, copy)
      await speaking.offer()
      return speaking
    }
    // The first tab is still there.
    expect(now(await offered())).toBe('silent')
    held.clear()
    expect(now(await offered('rafi'))).toBe('silent')
    expect(now(await offered('teodor', 'another'))).toBe('silent')
    const again = await offered()
    expect(again.state.getState()).toMatchObject({ is: 'made', made: { id, seconds: 2, left: true } })
    await again.keep()
    expect(laid).toHaveLength(1)
    held.clear()
    // It lies there already: the tab was killed before the device let go of it.
    expect(now(await offered())).toBe('silent')
    expect(kept.size).toBe(0)
  })

  test('who speaks again without keeping, or hands in while speaking, has kept it', async () => {
    const { laid, open, speak } = tablet()
    const speaking = open()
    await speak(speaking)
    speaking.stop()
    await settled()
    await speak(speaking)
    expect(laid).toHaveLength(1)
    await Promise.all([speaking.finish(), settled()])
    expect(laid).toHaveLength(2)
    expect(now(speaking)).toBe('silent')
  })

  test('what is done while one speaks has the voice’s clock: pauses and pages turned to; not what was done before', async () => {
    const { kept, laid, microphone, open, speak } = tablet()
    const speaking = open()
    const before = Date.now() - 1
    await speak(speaking, 2)
    const began = Date.now()
    speaking.drew(before)
    speaking.turned('page')
    microphone.seconds = 2.5
    speaking.turned('other')
    speaking.pause()
    await jest.advanceTimersByTimeAsync(5000)
    speaking.pause()
    microphone.seconds = 3
    microphone.hears!.onPiece(sound('3'), 3)
    await settled()
    const talk = {
      clock: [
        [0, began - 200],
        [2.5, Date.now() - 200],
      ],
      turns: [
        [0, 'page'],
        [2.5, 'other'],
      ],
    }
    // On the device second by second, as the sound is.
    const [there] = [...kept.values()]
    expect(there!.recording).toMatchObject({ seconds: 3, talk })
    expect(there!.recording.drew).toBeUndefined()
    speaking.drew(Date.now())
    speaking.stop()
    await Promise.all([speaking.keep(), settled()])
    expect(laid).toMatchObject([{ talk, drew: true }])
    // What was brought in has none.
    await speaking.bring(sound('x'.repeat(60)), SPOT)
    speaking.drew(Date.now())
    await speaking.keep()
    expect(laid[1]!.talk).toBeUndefined()
  })

  test('taken away, it is gone from the device, and undo brings it back; a slip of the finger leaves nothing', async () => {
    const { kept, laid, microphone, open, speak } = tablet()
    const speaking = open()
    await speak(speaking)
    speaking.stop()
    await settled()
    const undo = speaking.drop()!
    await settled()
    expect([kept.size, now(speaking)]).toEqual([0, 'silent'])
    undo()
    await settled()
    expect(speaking.state.getState()).toMatchObject({ is: 'made', made: { seconds: 2 } })
    speaking.drop()
    await settled()

    await speaking.begin(SPOT)
    microphone.seconds = 0.2
    speaking.stop()
    await settled()
    expect([kept.size, laid.length, now(speaking)]).toEqual([0, 0, 'silent'])
  })

  test('a sound made elsewhere is taken like one spoken here; what is none, too long or too large is refused', async () => {
    const { laid, open } = tablet()
    const speaking = open()
    await expect(speaking.bring(sound(''), SPOT)).rejects.toThrow('no sound that can be played')
    await expect(speaking.bring(sound('x'.repeat(432)), SPOT)).rejects.toThrow(
      'This takes 7:12. Here a recording is at most 5:00.',
    )
    const large = { size: 9 * 1024 * 1024, type: 'audio/wav' } as Blob
    await expect(speaking.bring(large, SPOT)).rejects.toThrow('too large')
    expect(now(speaking)).toBe('silent')
    await speaking.bring(sound('x'.repeat(60)), SPOT)
    await speaking.keep()
    expect(laid).toMatchObject([{ seconds: 60, heard: HEARD }])
  })

  test('left while the microphone is asked for, it records nothing', async () => {
    const { kept, microphone, open } = tablet()
    const speaking = open()
    const begun = speaking.begin(SPOT)
    speaking.close()
    await begun
    expect(microphone.dropped).toBe(true)
    expect([kept.size, now(speaking)]).toEqual([0, 'silent'])
  })
})

describe('where no log remembers', () => {
  test('what is put down while one speaks is remembered with its moment, on the device too', async () => {
    const { kept, laid, open, microphone } = tablet()
    const speaking = open()
    speaking.drew(Date.now(), 'before')
    await speaking.begin(SPOT)
    jest.advanceTimersByTime(1500)
    speaking.drew(Date.now(), 'circle')
    microphone.seconds = 2
    microphone.hears!.onPiece(sound('piece'), 2)
    expect([...kept.values()][0]!.recording.things).toMatchObject([[expect.any(Number), 'circle']])
    speaking.stop()
    await settled()
    await speaking.keep()
    const [{ talk, things }] = laid as [Made]
    expect(things).toEqual([[talk!.clock[0]![1] + 1500, 'circle']])
  })

  test('what cannot be laid now is offered again', async () => {
    const { kept, laid, around, open, speak } = tablet()
    around.reached = false
    const speaking = open()
    await speak(speaking)
    speaking.stop()
    await settled()
    await speaking.keep()
    expect([laid.length, kept.size, now(speaking)]).toEqual([0, 1, 'made'])
    around.reached = true
    await speaking.keep()
    speaking.close()
    await settled()
    expect([laid.length, kept.size]).toEqual([1, 0])
  })
})

describe('filming', () => {
  const FILM = { ...SPOT, film: 'away' as const }
  const LOOK = { seconds: 60, width: 640, height: 480, still: sound('still') }

  test('a camera is looked through first: nothing is recorded, handed in or said to be too short', async () => {
    const { kept, laid, microphone, open } = tablet()
    microphone.picture = {} as MediaStream
    const speaking = open()
    await speaking.begin(FILM)
    expect(speaking.state.getState()).toMatchObject({ is: 'recording', paused: true, seconds: 0 })
    await speaking.finish()
    expect([kept.size, laid.length, now(speaking)]).toEqual([0, 0, 'silent'])
  })

  test('what was filmed is looked at, and lies on its page with how it looks; made elsewhere, no longer than it may be', async () => {
    const { laid, device, microphone, open } = tablet()
    device.look = async () => LOOK
    microphone.picture = {} as MediaStream
    const speaking = open()
    await speaking.begin(FILM)
    microphone.seconds = 3
    speaking.stop()
    await settled()
    await speaking.keep()
    const long = new Blob(['film'], { type: 'video/mp4' })
    device.look = async () => ({ ...LOOK, seconds: 130 })
    await expect(speaking.bring(long, SPOT)).rejects.toThrow('This takes 2:10. Here a film is at most 2:00.')
    device.look = async () => ({ ...LOOK, seconds: 90 })
    await speaking.bring(long, SPOT)
    await speaking.keep()
    expect(laid.map(({ film, seconds, heard }) => [film, seconds, heard])).toEqual([
      ['away', 3, undefined],
      ['away', 90, undefined],
    ])
    expect(laid[0]!.look).toEqual(LOOK)
  })

  test('left over when its tab ended, it is offered as the film that it is', async () => {
    const { laid, microphone, open } = tablet()
    microphone.picture = {} as MediaStream
    const ended = open()
    await ended.begin(FILM)
    microphone.hears!.onPiece(sound('1'), 1)
    await settled()
    ended.close()
    const again = open()
    await again.offer()
    expect(again.state.getState()).toMatchObject({
      is: 'made',
      made: { film: 'away', seconds: 1, left: true },
    })
    await again.keep()
    expect(laid).toMatchObject([{ film: 'away', seconds: 1 }])
  })
})
