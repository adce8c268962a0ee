/** Two notes, a fifth apart, in hertz. */
const NOTES = [523.25, 392]
/** How far apart they begin and how long each rings, in seconds. */
const APART = 0.5
const RINGS = 1.6
const LOUDNESS = 0.12

/** Two low notes that ring out: time is up. Silent where a browser lets nothing sound. */
export function softSound(): void {
  const context = new AudioContext()
  for (const [index, pitch] of NOTES.entries()) {
    const begins = context.currentTime + index * APART
    const loud = new GainNode(context, { gain: 0 })
    loud.gain.setValueAtTime(0, begins)
    loud.gain.linearRampToValueAtTime(LOUDNESS, begins + 0.03)
    loud.gain.exponentialRampToValueAtTime(0.0001, begins + RINGS)
    const note = new OscillatorNode(context, { frequency: pitch })
    note.connect(loud).connect(context.destination)
    note.start(begins)
    note.stop(begins + RINGS)
  }
  setTimeout(() => void context.close(), (APART * NOTES.length + RINGS) * 1000)
}
