import type { InkPoint } from '../ink/points.ts'

/** One number of each place of a trace. */
export interface Channel {
  readonly name: string
  /** Points of the page in one of its steps; left out: it does not say. */
  readonly points: number | undefined
  /** The most that it can be. */
  readonly most: number | undefined
  /** Milliseconds in one of its steps. */
  readonly milliseconds: number
}

const plain = (name: string): Channel => ({ name, points: undefined, most: undefined, milliseconds: 1 })
/** What a trace has that says nothing of its format. */
const USUAL = [plain('X'), plain('Y')]
/** Between two samples of which nobody says when they were, in milliseconds. */
const STEP = 8
/** A number, with how it is meant: itself (!), a difference ('), a difference of differences ("); or what was before (*), or unknown (?). */
const VALUE = /([!'"]?)\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?|#[0-9a-fA-F]+|[TF*?])/g

/** The places of a trace (InkML 3.2.1), in points where its channels say how large their steps are. */
export function pointsOfTrace(text: string, channels: readonly Channel[] = USUAL): InkPoint[] {
  const readers = channels.map(() => new Reader())
  const at = (name: string) => channels.findIndex((channel) => channel.name === name)
  const [x, y, force, time] = ['X', 'Y', 'F', 'T'].map(at) as [number, number, number, number]
  if (x < 0 || y < 0) return []
  const points: InkPoint[] = []
  let began: number | undefined
  for (const sample of text.split(',')) {
    const told = [...sample.matchAll(VALUE)]
    if (told.length === 0) continue
    const values = readers.map((reader, index) =>
      reader.next(told[index]?.[1] ?? '', told[index]?.[2] ?? '?'),
    )
    const value = (channel: number, step: number | undefined) => values[channel]! * (step ?? 1)
    const when = time < 0 ? points.length * STEP : value(time, channels[time]!.milliseconds)
    began ??= when
    const place = { x: value(x, channels[x]!.points), y: value(y, channels[y]!.points) }
    if (!Number.isFinite(place.x) || !Number.isFinite(place.y)) continue
    points.push({
      ...place,
      pressure: force < 0 ? 0.5 : Math.min(1, Math.max(0, values[force]! / (channels[force]!.most ?? 1))),
      time: Math.max(points.at(-1)?.time ?? 0, Math.round(when - began) || 0),
    })
  }
  return points
}

/** Reads one channel's values one after another: how they are meant holds until something else is said. */
class Reader {
  #how = '!'
  #value = 0
  #speed = 0

  next(how: string, told: string): number {
    if (how !== '') this.#how = how
    const number = told.startsWith('#') ? Number.parseInt(told.slice(1), 16) : Number(told)
    // Unknown, or the same again: it goes on as it did.
    if (told === '*' || told === '?' || Number.isNaN(number)) {
      if (this.#how !== '!') this.#value += this.#speed
      return this.#value
    }
    if (this.#how === '!') {
      this.#speed = number - this.#value
      this.#value = number
    } else {
      this.#speed = this.#how === "'" ? number : this.#speed + number
      this.#value += this.#speed
    }
    return this.#value
  }
}
