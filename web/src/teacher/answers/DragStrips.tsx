import {
  DndContext,
  DragOverlay,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { type ReactNode, useState } from 'react'

interface DragStripsProps {
  /** Where a strip was let go: over a heap, over the place for a new one, or among those in none. */
  onDrop: (copy: string, heap: string | 'new' | 'none') => void
  children: ReactNode
}

/** A finger rests so long, in milliseconds, and moves no farther, in CSS pixels, before it drags: else it moves the list. */
const REST = { delay: 260, tolerance: 8 }

/** Strips are dragged into heaps by mouse or finger. A pen writes on them. */
export function DragStrips({ onDrop, children }: DragStripsProps) {
  const [dragged, setDragged] = useState<string>()
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: REST }),
  )
  return (
    <DndContext
      sensors={sensors}
      // Strips are large: where the hand is says which heap is meant.
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => setDragged(String(active.id))}
      onDragCancel={() => setDragged(undefined)}
      onDragEnd={({ active, over }) => {
        setDragged(undefined)
        if (over) onDrop(String(active.id), String(over.id))
      }}
    >
      {children}
      {dragged && <NewHeap />}
      <DragOverlay dropAnimation={null}>
        {dragged && (
          <span className="inline-block rounded-tag border border-ink bg-sheet px-3 py-1.5 font-semibold shadow-lg">
            an answer
          </span>
        )}
      </DragOverlay>
    </DndContext>
  )
}

function NewHeap() {
  const { setNodeRef, isOver } = useDroppable({ id: 'new' })
  return (
    <p
      ref={setNodeRef}
      className={`fixed inset-x-4 bottom-4 z-20 rounded-md border-2 border-dashed px-4 py-4 text-center font-semibold ${
        isOver ? 'border-verdigris bg-sheet' : 'border-rule bg-card'
      }`}
    >
      Drop it here for a new heap
    </p>
  )
}
