/** What can be chosen, in minutes: up to a whole lesson. */
const MINUTES = [1, 2, 5, 10, 20, 40, 60]

/** How long students may speak at once. */
export function VoiceLimit({ seconds, onChange }: { seconds: number; onChange: (seconds: number) => void }) {
  const minutes = seconds / 60
  const offered = MINUTES.includes(minutes) ? MINUTES : [...MINUTES, minutes].sort((a, b) => a - b)
  return (
    <label className="flex items-center gap-3">
      A recording is at most
      <select
        value={minutes}
        onChange={(event) => onChange(Number(event.target.value) * 60)}
        className="min-h-[40px] rounded-tag border border-ink-soft/60 bg-sheet px-2 pointer-coarse:min-h-11"
      >
        {offered.map((each) => (
          <option key={each} value={each}>
            {each === 1 ? '1 minute' : `${each} minutes`}
          </option>
        ))}
      </select>
    </label>
  )
}
