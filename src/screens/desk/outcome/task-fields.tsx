'use client'
import type { Ask } from '@/core/floor'
import type { Follows } from '@/core/outcomes'
import { mergeFields } from '@/core/scripts'
// The task an outcome files in the customer record system, prefilled from call and script.
import { mergeValuesOf, type Work } from '@/core/work'
import { DayField, inZone, toEpochMs, useDraft } from '@/parts/ui'

type Task = NonNullable<Extract<Ask, { kind: 'saveOutcome' }>['task']>
type FilesTask = Extract<Follows, { kind: 'task' }>

interface TaskDraft {
  readonly title: string
  readonly text: string
  readonly day: string
  readonly assignee: string
  set(change: Partial<Record<'title' | 'text' | 'day' | 'assignee', string>>): void
  readonly value: Task
  forget(): void
}

export function useTaskDraft(work: Work, follows: FilesTask | null, agentName: string, nowMs: number, timeZone: string): TaskDraft | null {
  const { id: callId } = work
  const values = mergeValuesOf(work, agentName)
  const dueAtMs = nowMs + (follows?.dueAfterMs ?? 0)
  // The empty text stands for what is prefilled, so that an answer taken later still gets in.
  const [title, setTitle, forgetTitle] = useDraft(`${callId} task title`, '')
  const [text, setText, forgetText] = useDraft(`${callId} task text`, '')
  const [day, setDay, forgetDay] = useDraft(`${callId} task day`, '')
  const [assignee, setAssignee, forgetAssignee] = useDraft(`${callId} task assignee`, '')
  if (follows === null) return null
  const shown = {
    title: title || mergeFields(follows.title, values),
    text: text || mergeFields(follows.text, values),
    day: day || inZone(dueAtMs, timeZone, 'yyyy-MM-dd'),
    assignee: assignee || follows.assignee,
  }
  const setters = { title: setTitle, text: setText, day: setDay, assignee: setAssignee }
  return {
    ...shown,
    set: (change) => {
      for (const [field, value] of Object.entries(change)) setters[field as keyof typeof setters](value)
    },
    value: {
      title: shown.title,
      text: shown.text,
      // A day that was chosen ends at six in the evening; untouched, the task is due after the time the set-up gives it.
      dueAtMs: (day === '' ? null : toEpochMs(day, '18:00', timeZone)) ?? dueAtMs,
      assignee: shown.assignee === 'agent' ? 'agent' : 'anybody',
    },
    forget: () => {
      for (const forget of [forgetTitle, forgetText, forgetDay, forgetAssignee]) forget()
    },
  }
}

const BOX = 'h-8 rounded-sm border border-line-strong bg-raised px-2'

export function TaskFields({ draft }: { draft: TaskDraft }) {
  return (
    <fieldset className="mt-2 border-brass border-l-4 pl-2">
      <legend className="float-left w-full font-semibold">Task for the customer records</legend>
      <div className="clear-both space-y-1">
        <input aria-label="Task title" className={`${BOX} w-full`} value={draft.title} onChange={(e) => draft.set({ title: e.target.value })} />
        <input aria-label="Task text" className={`${BOX} w-full`} value={draft.text} onChange={(e) => draft.set({ text: e.target.value })} />
        <div className="flex items-center gap-1.5">
          <span className="text-soft">by</span>
          <DayField inRow label="Task due" value={draft.day} onDay={(day) => draft.set({ day })} />
          <select aria-label="Task for" className={BOX} value={draft.assignee} onChange={(e) => draft.set({ assignee: e.target.value })}>
            <option value="anybody">for whoever looks after it</option>
            <option value="agent">for me</option>
          </select>
        </div>
      </div>
    </fieldset>
  )
}
