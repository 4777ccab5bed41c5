'use client'
// Follow-up tasks as the customer record system has them, which is a stand-in here.
import type { Task } from '@/core/tasks'
import { Button, type Column, inZone, nameIn, Table } from '@/parts/ui'
import { callerWords } from '@/parts/words'
import type { GiveProps } from './give'

interface Props extends GiveProps {
  readonly tasks: readonly Task[]
  readonly timeZone: string
}

export function TaskTable({ me, seats, tasks, timeZone, give }: Props) {
  const columns: readonly Column<Task>[] = [
    {
      id: 'due',
      heading: 'Due',
      width: 'w-[7.5rem]',
      className: 'tabular',
      cell: (task) => inZone(task.dueAtMs, timeZone, 'd MMM HH:mm'),
      sortBy: (task) => task.dueAtMs,
    },
    {
      id: 'task',
      heading: 'Task',
      isName: true,
      sortBy: (task) => task.title,
      cell: (task) => (
        <>
          {task.title}
          {task.text !== '' && <span className="block font-normal text-soft">{task.text}</span>}
        </>
      ),
    },
    {
      id: 'about',
      heading: 'About',
      width: 'w-[11.875rem]',
      cell: (task) => callerWords(task.customer, task.number, 'not known'),
      sortBy: (task) => task.customer ?? task.number,
    },
    {
      id: 'for',
      heading: 'For',
      width: 'w-[11.875rem]',
      cell: (task) => (task.assigneeId === null ? 'whoever looks after it' : nameIn(seats, task.assigneeId)),
      sortBy: (task) => (task.assigneeId === null ? null : nameIn(seats, task.assigneeId)),
    },
    {
      id: 'acts',
      heading: '',
      width: 'w-[5.625rem]',
      align: 'right',
      cell: (task) => (
        <Button disabled={me === null} aria-label={`Done: ${task.title}`} onClick={() => me !== null && void give({ kind: 'closeTask', taskId: task.taskId })}>
          Done
        </Button>
      ),
    },
  ]
  return (
    <section aria-label="Follow-up tasks" className="mt-8">
      <h2 className="font-semibold text-lg">Follow-up tasks</h2>
      <p className="text-soft">As filed with the customer record system, which a stand-in plays.</p>
      {tasks.length === 0 ? (
        <p className="mt-2 font-serif text-[1.0625rem] text-soft leading-7">No task is open. An outcome such as “Passed on” files one.</p>
      ) : (
        <Table className="mt-2" columns={columns} rows={tasks} keyOf={(task) => task.taskId} />
      )}
    </section>
  )
}
