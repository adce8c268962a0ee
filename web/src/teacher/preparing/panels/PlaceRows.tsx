import { canTurn, type PrintedItem, setBox, type Turned } from '@hand-back/core'
import { ArrowDownToLine, ArrowUpToLine, Copy, Lock, LockOpen, Trash2 } from 'lucide-react'
import { IconButton } from '../../../ui/IconButton.tsx'
import { putCopies } from '../clipboard.ts'
import { usePreparing } from '../context.ts'
import { NumberRow, PairRow } from './rows.tsx'
import { SetRow } from './SetRow.tsx'

/** Where things lie and how large they are in millimetres, for whom they are, above or below others, locked or not. */
export function PlaceRows({ items }: { items: readonly PrintedItem[] }) {
  const { store } = usePreparing()
  const ids = new Set(items.map(({ id }) => id))
  const [one] = items
  const locked = items.every((item) => item.locked)
  const order = (to: 'front' | 'back') =>
    store.changePage((page) => {
      const going = page.printed.filter(({ id }) => ids.has(id))
      const staying = page.printed.filter(({ id }) => !ids.has(id))
      return { ...page, printed: to === 'front' ? [...staying, ...going] : [...going, ...staying] }
    })
  const lock = () =>
    store.changeItems(
      ids,
      ({ locked: _was, ...item }) => (locked ? item : { ...item, locked: true }) as PrintedItem,
    )
  const again = () => putCopies(store, items, store.view.getState().sheet.keys, [{ dx: 14, dy: 14 }])
  return (
    <div className="mt-1 flex flex-col gap-2 border-t border-rule pt-3">
      {items.length === 1 && one && (
        <>
          <PairRow
            label="Place"
            names={['mm from the left', 'mm from the top']}
            values={[one.x, one.y]}
            onChange={(index, value) =>
              store.changeItems(
                ids,
                (item) => ({ ...item, [index === 0 ? 'x' : 'y']: value }),
                `${one.id} place`,
              )
            }
          />
          <PairRow
            label="Size"
            names={['mm wide', 'mm high']}
            values={[one.width, one.height]}
            onChange={(index, value) =>
              value >= 0 &&
              store.changeItems(
                ids,
                (item) => setBox(item, index === 0 ? { width: value } : { height: value }),
                `${one.id} size`,
              )
            }
          />
          {canTurn(one) && (
            <NumberRow
              label="Turned, °"
              value={Math.round(((one as Turned).turn ?? 0) * 100) / 100}
              least={-360}
              most={360}
              onChange={(turn) =>
                store.changeItems(ids, (item) => ({ ...item, turn }) as PrintedItem, `${one.id} turn`)
              }
            />
          )}
        </>
      )}
      <SetRow
        sets={one?.sets}
        onChange={(sets) =>
          store.changeItems(
            ids,
            ({ sets: _was, ...item }) => (sets ? { ...item, sets } : item) as PrintedItem,
          )
        }
      />
      <div className="flex flex-wrap gap-1">
        <IconButton
          framed
          size={17}
          icon={ArrowUpToLine}
          label="To the front"
          onClick={() => order('front')}
        />
        <IconButton
          framed
          size={17}
          icon={ArrowDownToLine}
          label="To the back"
          onClick={() => order('back')}
        />
        <IconButton framed size={17} icon={Copy} label="Duplicate" onClick={again} />
        <IconButton
          framed
          size={17}
          icon={locked ? Lock : LockOpen}
          label={locked ? 'Unlock' : 'Lock in place'}
          aria-pressed={locked}
          onClick={lock}
        />
        <IconButton
          framed
          size={17}
          icon={Trash2}
          label="Take away"
          onClick={() => store.takeAway()}
          disabled={locked}
        />
      </div>
    </div>
  )
}
