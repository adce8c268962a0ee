import {
  type HandoutWhole,
  type NewHandout,
  USUAL_FILM_SECONDS,
  USUAL_VOICE_SECONDS,
  type Way,
} from '@hand-back/core'
import { Field, INPUT } from '../../ui/Field.tsx'
import { Tick } from '../../ui/Tick.tsx'
import { RubricField } from '../rubric/RubricField.tsx'
import { MomentField } from './MomentField.tsx'
import { dueHint, opensHint } from './momentHints.ts'
import { FilmLimit, VoiceLimit } from './RecordingLimits.tsx'
import { SpokenField } from './SpokenField.tsx'

/** When it opens and is due, what is told, whether it counts. */
export type Terms = Pick<
  NewHandout,
  | 'opensAt'
  | 'dueAt'
  | 'directions'
  | 'spoken'
  | 'counts'
  | 'unit'
  | 'rubric'
  | 'longestVoice'
  | 'longestFilm'
>

/** Where one begins: nothing said; handed out again, what was said the last time. */
export function termsOf(before: HandoutWhole | undefined, unit: string): Terms {
  return {
    opensAt: null,
    dueAt: null,
    directions: before?.directions ?? '',
    spoken: before?.spoken ?? null,
    counts: before?.counts ?? true,
    unit: before?.unit ?? unit,
    rubric: before?.rubric ?? null,
    longestVoice: before?.longestVoice ?? USUAL_VOICE_SECONDS,
    longestFilm: before?.longestFilm ?? USUAL_FILM_SECONDS,
  }
}

interface TermsFieldsProps {
  terms: Terms
  way: Way
  onChange: (terms: Terms) => void
  /** The worksheet that directions can be spoken for; left out: none can. */
  spokenFor?: string
}

/** When it opens and is due, what is told, whether it counts. */
export function TermsFields({ terms, way, onChange, spokenFor }: TermsFieldsProps) {
  const { opensAt, dueAt, directions, spoken } = terms
  return (
    <div className="flex flex-col gap-5">
      <div className="flex flex-wrap gap-5">
        <MomentField
          label="Opens"
          aloneMeans="start"
          value={opensAt}
          hint={opensHint(opensAt)}
          onChange={(moment) => onChange({ ...terms, opensAt: moment })}
        />
        <MomentField
          label="Due"
          aloneMeans="end"
          value={dueAt}
          hint={dueHint(dueAt, 'Empty: no date.', opensAt)}
          onChange={(moment) => onChange({ ...terms, dueAt: moment })}
        />
        {terms.unit !== undefined && (
          <div className="w-[240px]">
            <Field
              label="Unit"
              maxLength={80}
              value={terms.unit}
              onChange={(event) => onChange({ ...terms, unit: event.target.value })}
            />
          </div>
        )}
      </div>
      {way !== 'read' && (
        <div className="flex flex-wrap items-center gap-x-8 gap-y-3">
          <Tick ticked={terms.counts} onTick={(counts) => onChange({ ...terms, counts })}>
            Counts for marks
          </Tick>
          <VoiceLimit
            seconds={terms.longestVoice ?? USUAL_VOICE_SECONDS}
            onChange={(longestVoice) => onChange({ ...terms, longestVoice })}
          />
          <FilmLimit
            seconds={terms.longestFilm ?? USUAL_FILM_SECONDS}
            onChange={(longestFilm) => onChange({ ...terms, longestFilm })}
          />
        </div>
      )}
      {terms.rubric !== undefined && way !== 'read' && (
        <RubricField rubric={terms.rubric} onChange={(rubric) => void onChange({ ...terms, rubric })} />
      )}
      <label className="flex flex-col gap-1 font-semibold">
        Directions
        <textarea
          rows={3}
          maxLength={2000}
          value={directions}
          onChange={(event) => onChange({ ...terms, directions: event.target.value })}
          className={`${INPUT} font-normal`}
          placeholder="They see it when they open their copy."
        />
      </label>
      {spokenFor !== undefined && (
        <SpokenField
          worksheet={spokenFor}
          spoken={spoken}
          onChange={(next) => onChange({ ...terms, spoken: next })}
        />
      )}
    </div>
  )
}
