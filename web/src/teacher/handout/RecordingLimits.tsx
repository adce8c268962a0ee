/** What can be chosen, in seconds: up to a whole lesson of speech, and up to what a device can send of a film. */
const VOICE = [60, 120, 300, 600, 1200, 2400, 3600]
const FILM = [0, 30, 60, 120, 300]

interface LimitProps {
  seconds: number
  onChange: (seconds: number) => void
}

/** How long students may speak at once. */
export function VoiceLimit(props: LimitProps) {
  return <Limit label="A recording is at most" offered={VOICE} {...props} />
}

/** How long they may film, if at all. */
export function FilmLimit(props: LimitProps) {
  return <Limit label="A film is at most" offered={FILM} {...props} />
}

function Limit({ label, offered, seconds, onChange }: LimitProps & { label: string; offered: number[] }) {
  const choices = offered.includes(seconds) ? offered : [...offered, seconds].sort((a, b) => a - b)
  return (
    <label className="flex items-center gap-3">
      {label}
      <select
        value={seconds}
        onChange={(event) => onChange(Number(event.target.value))}
        className="min-h-[40px] rounded-tag border border-ink-soft/60 bg-sheet px-2 pointer-coarse:min-h-11"
      >
        {choices.map((each) => (
          <option key={each} value={each}>
            {sayLimit(each)}
          </option>
        ))}
      </select>
    </label>
  )
}

function sayLimit(seconds: number): string {
  if (seconds === 0) return 'not allowed'
  if (seconds % 60 !== 0) return `${seconds} seconds`
  return seconds === 60 ? '1 minute' : `${seconds / 60} minutes`
}
