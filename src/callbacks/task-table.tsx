'use client'
// Follow-up tasks as the customer record system has them, which is a stand-in here.
import type { Task } from '@/core/tasks'
import { Button, inZone, nameIn, TableHead } from '@/ui'
import { callerWords } from '@/words'
import type { GiveProps } from './give'

interface Props extends GiveProps {
  readonly tasks: readonly Task[]
  readonly timeZone: string
}

export function TaskTable({ me, seats, tasks, timeZone, give }: Props) {
  return (
    <section aria-label="Follow-up tasks" className="mt-8">
      <h2 className="font-semibold text-lg">Follow-up tasks</h2>
      <p className="text-soft">As filed with the customer record system, which a stand-in plays.</p>
      {tasks.length === 0 ? (
        <p className="mt-2 font-serif text-[17px] text-soft leading-7">No task is open. An outcome such as “Passed on” files one.</p>
      ) : (
        <table className="mt-2 w-full table-fixed">
          <TableHead headings={HEADINGS} />
          <tbody>
            {tasks.map((task) => (
              <tr key={task.taskId} className="border-line border-b align-top">
                <td className="tabular py-2 pr-3">{inZone(task.dueAtMs, timeZone, 'd MMM HH:mm')}</td>
                <th scope="row" className="break-words py-2 pr-3 text-left">
                  {task.title}
                  {task.text !== '' && <span className="block font-normal text-soft">{task.text}</span>}
                </th>
                <td className="py-2 pr-3">{callerWords(task.customer, task.number, 'not known')}</td>
                <td className="py-2 pr-3">{task.assigneeId === null ? 'whoever looks after it' : nameIn(seats, task.assigneeId)}</td>
                <td className="py-1.5 text-right">
                  <Button
                    disabled={me === null}
                    aria-label={`Done: ${task.title}`}
                    onClick={() => me !== null && void give({ kind: 'closeTask', taskId: task.taskId })}
                  >
                    Done
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  )
}

const HEADINGS = [
  ['Due', 'w-[120px]'],
  ['Task', ''],
  ['About', 'w-[190px]'],
  ['For', 'w-[190px]'],
  ['', 'w-[90px]'],
] as const
