'use client'
// The form of a code.
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { type UseFormRegister, useForm } from 'react-hook-form'
import type { OutcomeCode, OutcomeSet } from '@/core/outcomes'
import type { Script } from '@/core/scripts'
import { SelectField, TextField } from '@/parts/ui'
import { ConditionEditor } from '@/screens/scripts'
import { EditorDialog, RowsField } from '@/screens/set-up'
import { type CodeForm, CodeFormSchema, fromCodeForm, toCodeForm } from './code-form'
import { COUNT_WORDS } from './codes-table'

interface Props {
  readonly code: OutcomeCode
  readonly set: OutcomeSet
  readonly scripts: readonly Script[]
  readonly onSave: (code: OutcomeCode) => void
  readonly onClose: () => void
}

const FOLLOWS_WORDS: Readonly<Record<OutcomeCode['follows']['kind'], string>> = {
  nothing: 'nothing',
  retry: 'another try after a time',
  callback: 'a callback at a time agreed',
  neverCall: 'do not call again',
  wrongNumber: 'the number is struck from the record',
  task: 'a task for the customer records',
}

export function CodeEditor({ code, set, scripts, onSave, onClose }: Props) {
  const { register, handleSubmit, formState, watch } = useForm<CodeForm>({
    resolver: zodResolver(CodeFormSchema),
    defaultValues: toCodeForm(code),
  })
  const [doubts, setDoubts] = useState(() => code.doubts.map((d, i) => ({ ...d, id: String(i) })))
  const [unsaid, setUnsaid] = useState(false)
  const { errors } = formState
  const follows = watch('follows')
  const fields = [...new Map(scripts.flatMap((s) => s.pages.flatMap((p) => p.questions.map((q) => [q.field, q] as const)))).values()]
  const tick = 'flex items-center gap-2'
  return (
    <EditorDialog
      dirty={formState.isDirty}
      title={code.code === '' ? `New code of ${set.name}` : `Code ${code.label}`}
      onClose={onClose}
      onSubmit={handleSubmit((form) => {
        if (doubts.some((d) => d.says.trim() === '')) return setUnsaid(true)
        onSave(
          fromCodeForm(
            form,
            code,
            doubts.map(({ when, says }) => ({ when, says: says.trim() })),
          ),
        )
        onClose()
      })}
    >
      <div className="grid grid-cols-[1fr_4rem_9.375rem] gap-3">
        <TextField label="Label" problem={errors.label?.message ?? null} {...register('label')} />
        <TextField label="Key" maxLength={1} problem={errors.key?.message ?? null} {...register('key')} />
        <TextField label="Group" list="code-groups" {...register('group')} />
        <datalist id="code-groups">
          {[...new Set(set.codes.map((c) => c.group))].map((g) => (
            <option key={g} value={g} />
          ))}
        </datalist>
      </div>
      <TextField label="When it is the right one" hint="One sentence for the agent." problem={errors.means?.message ?? null} {...register('means')} />
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1 border-line border-t pt-3">
        <legend className="float-left w-full font-semibold">Counts as</legend>
        {Object.entries(COUNT_WORDS).map(([name, words]) => (
          <label key={name} className={tick}>
            <input type="checkbox" className="size-4 accent-green" {...register(`counts.${name as keyof typeof COUNT_WORDS}`)} />
            {words}
          </label>
        ))}
      </fieldset>
      <div className="grid grid-cols-2 gap-3 border-line border-t pt-3">
        <SelectField label="Needs the answer to" {...register('field')}>
          <option value="">no question</option>
          {fields.map((q) => (
            <option key={q.field} value={q.field}>
              {q.label} ({q.field})
            </option>
          ))}
        </SelectField>
        <label className={`${tick} self-end pb-1`}>
          <input type="checkbox" className="size-4 accent-green" {...register('notes')} />
          Needs notes
        </label>
      </div>
      <fieldset className="border-line border-t pt-3">
        <legend className="sr-only">Then</legend>
        <SelectField label="Then" {...register('follows')}>
          {Object.entries(FOLLOWS_WORDS).map(([kind, words]) => (
            <option key={kind} value={kind}>
              {words}
            </option>
          ))}
        </SelectField>
        <FollowsFields follows={follows} register={register} errors={errors} />
      </fieldset>
      <RowsField
        label="Answers that speak against it"
        hint="When one holds, the agent is asked; they may insist."
        rows={doubts}
        add="Add an answer"
        onAdd={() =>
          setDoubts([
            ...doubts,
            { id: `new ${doubts.length}`, when: { field: fields[0]?.field ?? 'caller.known', is: true }, says: 'The script says otherwise. Is it so?' },
          ])
        }
        onRemove={(at) => setDoubts(doubts.filter((_, i) => i !== at))}
        problem={unsaid ? 'Say what the agent is asked.' : undefined}
      >
        {(doubt, at) => (
          <div className="min-w-0 flex-1 space-y-1 border-line border-l-2 py-1 pl-2">
            <ConditionEditor
              label={`Answer ${at + 1}`}
              value={doubt.when}
              questions={fields}
              onChange={(when) => setDoubts(doubts.map((d, i) => (i === at ? { ...d, when } : d)))}
            />
            <TextField
              label="What the agent is asked"
              value={doubt.says}
              onChange={(e) => setDoubts(doubts.map((d, i) => (i === at ? { ...d, says: e.target.value } : d)))}
            />
          </div>
        )}
      </RowsField>
      <div className="grid grid-cols-2 gap-1 border-line border-t pt-3">
        <label className={tick}>
          <input type="checkbox" className="size-4 accent-green" {...register('onlyDialled')} />
          Only for calls we dialled
        </label>
        <label className={tick}>
          <input type="checkbox" className="size-4 accent-green" {...register('retired')} />
          Retired: chosen no more
        </label>
      </div>
    </EditorDialog>
  )
}

type Errors = ReturnType<typeof useForm<CodeForm>>['formState']['errors']

function FollowsFields({ follows, register, errors }: { follows: CodeForm['follows']; register: UseFormRegister<CodeForm>; errors: Errors }) {
  if (follows === 'retry')
    return (
      <div className="mt-2 grid grid-cols-2 gap-3">
        <TextField label="After (minutes)" type="number" problem={errors.afterMin?.message ?? null} {...register('afterMin', { valueAsNumber: true })} />
        <TextField label="At most (times)" type="number" problem={errors.atMost?.message ?? null} {...register('atMost', { valueAsNumber: true })} />
        <label className="col-span-2 flex items-center gap-2">
          <input type="checkbox" className="size-4 accent-green" {...register('asksUntil')} />
          Ask until when they are not there
        </label>
      </div>
    )
  if (follows === 'neverCall')
    return (
      <SelectField label="Whom" className="mt-2" {...register('whom')}>
        <option value="number">this number</option>
        <option value="person">this person, on any number</option>
      </SelectField>
    )
  if (follows !== 'task') return null
  return (
    <div className="mt-2 space-y-2">
      <TextField
        label="Title"
        hint="{caller.name|a caller} and {answers.field|…} are filled in, with what follows the bar when nothing is known."
        problem={errors.title?.message ?? null}
        {...register('title')}
      />
      <TextField label="Text" {...register('text')} />
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Due after (hours)"
          type="number"
          step="any"
          problem={errors.dueAfterH?.message ?? null}
          {...register('dueAfterH', { valueAsNumber: true })}
        />
        <SelectField label="For" {...register('assignee')}>
          <option value="anybody">whoever looks after it</option>
          <option value="agent">the agent of the call</option>
        </SelectField>
      </div>
    </div>
  )
}
