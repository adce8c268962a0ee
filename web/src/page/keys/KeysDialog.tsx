import type { Person } from '@hand-back/core'
import { Dialog } from '../../ui/Dialog.tsx'
import { Choices } from '../habits/Choices.tsx'
import { useHabits } from '../habits/useHabits.ts'
import { isSingle, type KeyAct, type KeyGroup, sayKeys } from './keyActs.ts'

interface KeysDialogProps {
  person: Person
  groups: readonly KeyGroup[]
  onClose: () => void
}

const isApple = () => /Mac|iP(ad|hone)/.test(navigator.platform)

/** All keys that mean something here, and whether one key alone may. */
export function KeysDialog({ person, groups, onClose }: KeysDialogProps) {
  const [{ singleKeys = true }, change] = useHabits(person.id)
  const apple = isApple()
  return (
    <Dialog open onClose={onClose} title="Keys" wide>
      <Choices
        legend="Single-key shortcuts"
        value={singleKeys ? 'on' : 'off'}
        options={[
          ['on', 'on'],
          ['off', 'off'],
        ]}
        onChoose={(value) => change({ singleKeys: value === 'on' })}
      />
      <p className="mt-2 text-ink-soft">
        Turn them off if you speak to your device, or if your hand rests on the keys.
      </p>
      {/* What means something only at times comes first for the keys, and last for the eyes. */}
      <div className="mt-5 gap-x-10 handheld:columns-2">
        {[...groups].reverse().map(({ title, acts }) => (
          <section key={title} className="mb-4 break-inside-avoid">
            <h3 className="mb-1 font-semibold">{title}</h3>
            <dl>
              {acts.map(
                (act) =>
                  act.words && (
                    <KeyRow key={act.words} act={act} off={!singleKeys && isSingle(act)} apple={apple} />
                  ),
              )}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  )
}

function KeyRow({ act, off, apple }: { act: KeyAct; off: boolean; apple: boolean }) {
  return (
    <div className="flex items-baseline justify-between gap-4 border-b border-rule py-[3px]">
      <dt className={off ? 'text-ink-soft line-through' : ''}>{act.words}</dt>
      <dd className="flex gap-1 whitespace-nowrap">
        {sayKeys(act, apple).map((key) => (
          <kbd
            key={key}
            className={`rounded-tag border border-rule bg-sheet px-1.5 font-sans text-sm ${off ? 'text-ink-soft' : ''}`}
          >
            {key}
          </kbd>
        ))}
      </dd>
    </div>
  )
}
