'use client'
// Dragging somebody from a list onto a line of the board: what is carried, and where it was dropped.
import { DndContext, type DragEndEvent, DragOverlay, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { type ReactNode, useState } from 'react'
import type { Target } from '@/core/calls'
import { type CallId, toCallId } from '@/core/ids'
import { Plate } from './board/plate'
import type { Choice } from './board/targets'

interface Props {
  readonly onDrop: (callId: CallId, target: Target) => void
  readonly children: ReactNode
}

/** A press becomes a drag only after some way, so that choosing by a press stays what it is. */
const AFTER_PIXELS = 6

export function DragToLine({ onDrop, children }: Props) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: AFTER_PIXELS } }))
  const [carried, setCarried] = useState<Choice | null>(null)
  const drop = ({ active, over }: DragEndEvent) => {
    setCarried(null)
    const choice = active.data.current?.choice as Choice | undefined
    if (over !== null && choice !== undefined) onDrop(toCallId(String(over.id)), choice.target)
  }
  return (
    <DndContext
      sensors={sensors}
      onDragStart={({ active }) => setCarried((active.data.current?.choice as Choice | undefined) ?? null)}
      onDragEnd={drop}
      onDragCancel={() => setCarried(null)}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {carried !== null && (
          <div className="w-56 opacity-90">
            <Plate name={carried.name} kind={carried.kind} clock={carried.state} tone="ghost" />
          </div>
        )}
      </DragOverlay>
    </DndContext>
  )
}
