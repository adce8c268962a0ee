import type { Person } from '@hand-back/core'
import { SlidersHorizontal } from 'lucide-react'
import type { ReactNode } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Choices } from '../habits/Choices.tsx'
import { useHabits } from '../habits/useHabits.ts'
import { OpensCard, useCloseCard } from '../strip/OpensCard.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import type { Surface } from '../surface/Surface.ts'

/** Colours for the eyes over the paper. */
const TINTS = [
  ['#f6d98b', 'straw'],
  ['#f2b8a0', 'peach'],
  ['#e7aecb', 'rose'],
  ['#a9c9ee', 'sky'],
  ['#a5dcc4', 'sea'],
  ['#cdbdee', 'heather'],
] as const
const USUAL_STRENGTH = 0.35

interface ViewMenuProps {
  person: Person
  surface: Surface | undefined
  /** Looks back in time, where there is something to look back at. */
  onLookBack?: (() => void) | undefined
  /** Goes through what came back. */
  onFeedback?: (() => void) | undefined
  /** Takes away all of one's own on this page. */
  onClear?: (() => void) | undefined
  /** Reads the page aloud, where the device has a voice. */
  onRead?: (() => void) | undefined
  /** Plays all that is spoken on the page, where something is. */
  onHear?: (() => void) | undefined
  onPrint?: (() => void) | undefined
  /** Saves the page in open formats. */
  onSave?: (() => void) | undefined
  /** Tells which keys do what. */
  onKeys: () => void
  /** What else can be chosen where one is. */
  more?: ReactNode
}

/** How one sees and holds the page: zoom, tint, size of words, side of the strip, what a finger does. */
export function ViewMenu(props: ViewMenuProps) {
  const { person, surface, onLookBack, onFeedback, onClear, onRead, onHear, onPrint, onSave, onKeys, more } =
    props
  const [habits, change] = useHabits(person.id)
  const { tint, letters = 'usual', strip = 'bottom', finger = 'until pen', neat = 'offered' } = habits
  return (
    <OpensCard
      button={<StripButton icon={SlidersHorizontal} label="View" />}
      align="end"
      width="27.75rem"
      className="flex flex-col gap-4 p-4"
    >
      <Row>
        <Press onPress={() => surface?.zoomBy(0.8)}>Smaller</Press>
        <Fit onPress={() => surface?.fit()} />
        <Press onPress={() => surface?.zoomBy(1.25)}>Larger</Press>
      </Row>
      {(onLookBack || onFeedback || onClear || onRead || onHear) && (
        <Row>
          {onRead && <Press onPress={onRead}>Read to me</Press>}
          {onHear && <Press onPress={onHear}>Hear what is spoken</Press>}
          {onFeedback && <Press onPress={onFeedback}>What came back</Press>}
          {onLookBack && <Press onPress={onLookBack}>Look back</Press>}
          {onClear && <Press onPress={onClear}>Clear what is mine</Press>}
        </Row>
      )}
      {more}
      <fieldset>
        <legend className="mb-1.5 font-semibold">Page colour, only for me</legend>
        <Row>
          <Swatch name="white" colour="#ffffff" on={!tint} onPress={() => change({ tint: null })} />
          {TINTS.map(([colour, name]) => (
            <Swatch
              key={colour}
              name={name}
              colour={colour}
              on={tint?.colour === colour}
              onPress={() => change({ tint: { colour, strength: tint?.strength ?? USUAL_STRENGTH } })}
            />
          ))}
          <label className="flex items-center">
            <span className="sr-only">Any paper colour</span>
            <input
              type="color"
              value={tint?.colour ?? '#ffffff'}
              onChange={(event) =>
                change({
                  tint: { colour: event.target.value, strength: tint?.strength ?? USUAL_STRENGTH },
                })
              }
              className="h-11 w-11 rounded-tag border border-rule bg-sheet p-1"
            />
          </label>
        </Row>
        {tint && (
          <label className="mt-2 flex min-h-[44px] items-center gap-3">
            How strong
            <input
              type="range"
              min={5}
              max={100}
              value={Math.round(tint.strength * 100)}
              onChange={(event) => change({ tint: { ...tint, strength: Number(event.target.value) / 100 } })}
              className="flex-1 accent-verdigris"
            />
          </label>
        )}
      </fieldset>
      <Choices
        legend="Words"
        value={letters}
        options={[
          ['usual', 'usual'],
          ['larger', 'larger'],
          ['largest', 'largest'],
        ]}
        onChoose={(value) => change({ letters: value })}
      />
      <Choices
        legend="My pens are"
        value={strip}
        options={[
          ['left', 'at the left'],
          ['bottom', 'at the bottom'],
          ['right', 'at the right'],
        ]}
        onChoose={(value) => change({ strip: value })}
      />
      <Choices
        legend="One finger"
        value={finger}
        options={[
          ['until pen', 'writes until there is a pen'],
          ['writes', 'writes'],
          ['moves', 'moves the page'],
        ]}
        onChoose={(value) => change({ finger: value })}
      />
      {onClear && (
        <Choices
          legend="Lines and shapes I draw"
          value={neat}
          options={[
            ['offered', 'neat if I press Neat'],
            ['always', 'always neat'],
            ['never', 'as drawn'],
          ]}
          onChoose={(value) => change({ neat: value })}
        />
      )}
      <Row>
        {onPrint && <Press onPress={onPrint}>Print</Press>}
        {onSave && <Press onPress={onSave}>Save</Press>}
        <Press onPress={onKeys}>Keys</Press>
      </Row>
    </OpensCard>
  )
}

const Row = ({ children }: { children: ReactNode }) => <div className="flex flex-wrap gap-2">{children}</div>

function Press({ onPress, children }: { onPress: () => void; children: string }) {
  return (
    <Button large onClick={onPress} className="flex-1 whitespace-nowrap">
      {children}
    </Button>
  )
}

/** Done with one press: the page is seen again. */
function Fit({ onPress }: { onPress: () => void }) {
  const close = useCloseCard()
  const fit = () => {
    onPress()
    close()
  }
  return <Press onPress={fit}>Fit</Press>
}

interface SwatchProps {
  name: string
  colour: string
  on: boolean
  onPress: () => void
}

function Swatch({ name, colour, on, onPress }: SwatchProps) {
  return (
    <button
      type="button"
      aria-label={`Paper: ${name}`}
      aria-pressed={on}
      onClick={onPress}
      className={`h-11 w-11 rounded-tag border ${on ? 'border-ink outline outline-2 outline-ink' : 'border-rule'}`}
      style={{ background: colour }}
    />
  )
}
