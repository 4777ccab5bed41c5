'use client'
// Choices of the dial line that can be dragged onto a line of the board: what is carried, which line it is over, and where it was dropped. The lines
// know nothing of it: they are found under the pointer.
import { DndContext, type DragEndEvent, type DragMoveEvent, DragOverlay, PointerSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core'
import { type ComponentProps, useState } from 'react'
import { createPortal } from 'react-dom'
import type { Target } from '@/core/calls'
import { type CallId, toCallId } from '@/core/ids'
import { Plate } from './board/plate'
import type { Choice } from './board/targets'
import { ChoiceRow } from './choice-row'

interface Props {
  readonly choices: readonly Choice[]
  readonly optionOf: (choice: Choice, index: number) => ComponentProps<'div'>
  readonly onChoose: (index: number) => void
  readonly onDrop: (callId: CallId, target: Target) => void
  readonly onOver: (callId: CallId | null) => void
}

/** A press becomes a drag only after some way, so that choosing by a press stays what it is. */
const AFTER_PIXELS = 6

export function DraggableChoices({ choices, optionOf, onChoose, onDrop, onOver }: Props) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: AFTER_PIXELS } }))
  const [carried, setCarried] = useState<Choice | null>(null)
  const over = () => {
    setCarried(null)
    onOver(null)
  }
  const drop = (event: DragEndEvent) => {
    const line = lineUnder(event)
    const target = carried?.target
    over()
    if (line !== null && target !== undefined) onDrop(line, target)
  }
  return (
    <DndContext
      sensors={sensors}
      // What it says to screen readers is not an option of the list.
      accessibility={{ container: document.body }}
      onDragStart={({ active }) => setCarried(choices.find((c) => c.key === active.id) ?? null)}
      onDragMove={(event) => onOver(lineUnder(event))}
      onDragEnd={drop}
      onDragCancel={over}
    >
      {choices.map((choice, i) => (
        <DraggableRow key={choice.key} option={optionOf(choice, i)} choice={choice} onChoose={() => onChoose(i)} />
      ))}
      {createPortal(
        <DragOverlay dropAnimation={null}>
          {carried !== null && (
            <div className="w-56 opacity-90">
              <Plate name={carried.name} kind={carried.kind} clock={carried.state} tone="ghost" />
            </div>
          )}
        </DragOverlay>,
        document.body,
      )}
    </DndContext>
  )
}

function DraggableRow({ option, choice, onChoose }: Pick<ComponentProps<typeof ChoiceRow>, 'option' | 'choice' | 'onChoose'>) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: choice.key })
  return (
    <ChoiceRow
      option={option}
      choice={choice}
      onChoose={onChoose}
      dragging={{ ref: setNodeRef, onPointerDown: listeners?.onPointerDown as ((event: unknown) => void) | undefined, isCarried: isDragging }}
    />
  )
}

/** The line of the board under the pointer. */
function lineUnder({ activatorEvent, delta }: DragMoveEvent): CallId | null {
  if (!(activatorEvent instanceof PointerEvent)) return null
  const under = document.elementsFromPoint(activatorEvent.clientX + delta.x, activatorEvent.clientY + delta.y)
  const line = under.map((element) => element.closest<HTMLElement>('[data-line-of]')).find((element) => element !== null)
  const id = line?.dataset.lineOf
  return id === undefined ? null : toCallId(id)
}
