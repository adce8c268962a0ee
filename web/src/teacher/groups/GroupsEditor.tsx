import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { type ClassWhole, type Group, mixGroups, moveToGroup } from '@hand-back/core'
import { Plus, Shuffle, X } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { NameTag } from '../../ui/NameTag.tsx'

type Student = ClassWhole['students'][number]

interface GroupsEditorProps {
  roster: readonly Student[]
  groups: readonly Group[]
  onChange: (groups: Group[]) => void
  /** What stands beside mixing: groups from the last time. */
  children?: ReactNode
}

/** Where a dragged student lands when it is in no group. */
const NOWHERE = 'no group'

/**
 * Groups of a class. Students go into a group by dragging, or by a press on each name and then on the
 * group; mixing makes them at random, by number or by size.
 */
export function GroupsEditor({ roster, groups, onChange, children }: GroupsEditorProps) {
  const [picked, setPicked] = useState<readonly string[]>([])
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  const placed = new Set(groups.flatMap((group) => group.students))
  const loose = roster.filter(({ id }) => !placed.has(id))
  const put = (students: readonly string[], to: string, among: readonly Group[] = groups) => {
    onChange(
      students.reduce<readonly Group[]>(
        (now, student) => moveToGroup(now, student, to === NOWHERE ? undefined : to),
        among,
      ) as Group[],
    )
    setPicked([])
  }
  /** Another group, with those who are picked in it. */
  const add = () => {
    const id = crypto.randomUUID()
    put(picked, id, [...groups, { id, name: `Group ${groups.length + 1}`, students: [] }])
  }
  /** Who is dragged takes all along that are picked. */
  const dropped = ({ active, over }: DragEndEvent) => {
    const student = String(active.id)
    if (over) put(picked.includes(student) ? picked : [student], String(over.id))
  }
  const inOrder = (ids: readonly string[]) => roster.filter(({ id }) => ids.includes(id))
  const box = (id: string, title: ReactNode, students: readonly Student[], name: string) => (
    <Box
      key={id}
      id={id}
      name={name}
      asks={picked.length - students.filter((student) => picked.includes(student.id)).length}
      onPlace={() => put(picked, id)}
      title={title}
    >
      {students.map((student) => (
        <Chip
          key={student.id}
          student={student}
          picked={picked.includes(student.id)}
          onPick={() => setPicked(toggled(picked, student.id))}
        />
      ))}
    </Box>
  )
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-center gap-2">
        <Mixer roster={roster} onMixed={onChange} />
        {children}
      </div>
      <DndContext sensors={sensors} onDragEnd={dropped}>
        <div className="grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-3">
          {groups.map((group) =>
            box(
              group.id,
              <GroupName
                group={group}
                onRename={(name) =>
                  onChange(groups.map((each) => (each.id === group.id ? { ...each, name } : each)))
                }
                onTake={() => onChange(groups.filter((each) => each.id !== group.id))}
              />,
              inOrder(group.students),
              group.name,
            ),
          )}
          <Button className="min-h-[84px] border-dashed" onClick={add}>
            <Plus size={17} aria-hidden="true" /> Another group{withPicked(picked.length)}
          </Button>
        </div>
        {loose.length > 0 &&
          box(
            NOWHERE,
            <span className="font-semibold text-ochre">
              In no group yet <span className="tabular font-normal">{loose.length}</span>
            </span>,
            loose,
            'no group',
          )}
      </DndContext>
    </div>
  )
}

const withPicked = (count: number): string =>
  count === 0 ? '' : count === 1 ? ' with the one picked' : ` with these ${count}`

const toggled = (all: readonly string[], one: string): string[] =>
  all.includes(one) ? all.filter((each) => each !== one) : [...all, one]

function Mixer({ roster, onMixed }: { roster: readonly Student[]; onMixed: (groups: Group[]) => void }) {
  const [number, setNumber] = useState(4)
  const [by, setBy] = useState<'count' | 'size'>('size')
  const mix = () =>
    onMixed(
      mixGroups(
        roster.map(({ id }) => id),
        by === 'count' ? { count: number } : { size: number },
        Math.floor(Math.random() * 2 ** 31),
        () => crypto.randomUUID(),
      ),
    )
  const input =
    'min-h-[38px] pointer-coarse:min-h-11 rounded-tag border border-ink-soft/60 bg-sheet px-2 py-1'
  return (
    <>
      <input
        type="number"
        aria-label="How many"
        min={1}
        max={100}
        value={number}
        onChange={(event) =>
          setNumber(Math.max(1, Math.min(100, Math.floor(event.target.valueAsNumber) || 1)))
        }
        className={`${input} tabular w-[64px]`}
      />
      <select
        aria-label="Of what"
        value={by}
        onChange={(event) => setBy(event.target.value as 'count' | 'size')}
        className={input}
      >
        <option value="size">in each group</option>
        <option value="count">groups</option>
      </select>
      <Button onClick={mix}>
        <Shuffle size={17} aria-hidden="true" /> Mix at random
      </Button>
    </>
  )
}

function Box({
  id,
  name,
  asks,
  onPlace,
  title,
  children,
}: {
  id: string
  name: string
  /** So many of those picked are elsewhere and could be put here. */
  asks: number
  onPlace: () => void
  title: ReactNode
  children: ReactNode
}) {
  const { setNodeRef, isOver } = useDroppable({ id })
  return (
    <section
      ref={setNodeRef}
      aria-label={name}
      className={`flex flex-col gap-2 rounded-md border p-3 ${isOver ? 'border-verdigris bg-verdigris-soft' : 'border-rule bg-card'}`}
    >
      <div className="flex items-center gap-1">{title}</div>
      <ul className="flex flex-wrap gap-1.5">{children}</ul>
      {asks > 0 && (
        <Button look="quiet" className="self-start text-verdigris" onClick={onPlace}>
          Put {asks > 1 ? `${asks} ` : ''}into {name}
        </Button>
      )}
    </section>
  )
}

function Chip({ student, picked, onPick }: { student: Student; picked: boolean; onPick: () => void }) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: student.id })
  return (
    <li>
      <NameTag
        ref={setNodeRef}
        {...listeners}
        picked={picked}
        onClick={onPick}
        style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
        className={`relative touch-none ${isDragging ? 'z-10 shadow-[0_2px_6px_rgb(30_43_58/0.3)]' : ''}`}
      >
        {student.name}
      </NameTag>
    </li>
  )
}

function GroupName({
  group,
  onRename,
  onTake,
}: {
  group: Group
  onRename: (name: string) => void
  onTake: () => void
}) {
  const [name, setName] = useState(group.name)
  return (
    <>
      <input
        aria-label={`Name of ${group.name}`}
        value={name}
        maxLength={60}
        onChange={(event) => setName(event.target.value)}
        onBlur={() => (name.trim() === '' ? setName(group.name) : onRename(name.trim()))}
        className="min-w-0 flex-1 rounded-tag border border-transparent bg-transparent px-1 py-0.5 font-serif font-semibold hover:border-rule focus:border-ink-soft focus:bg-sheet"
      />
      <span className="tabular text-ink-soft">{group.students.length}</span>
      <IconButton icon={X} label={`Remove ${group.name}`} onClick={onTake} />
    </>
  )
}
