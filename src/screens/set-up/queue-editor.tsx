'use client'
// The form of a queue: whom it needs, who goes first, where it overflows to, when it is open, what callers are told, and how all
// that differs on a storm day.
import { zodResolver } from '@hookform/resolvers/zod'
import { type Control, type FieldErrors, type UseFormRegister, useFieldArray, useForm } from 'react-hook-form'
import { type QueueSetUp, type SetUp, scriptsInUse } from '@/core/set-up'
import { SelectField, TextField } from '@/parts/ui'
import { numberWords } from '@/parts/words'
import { EditorDialog } from './editor-dialog'
import { DAYS, fromQueueForm, type QueueForm, QueueFormSchema, toQueueForm } from './queue-form'
import { ROW_INPUT, RowsField } from './rows-field'

interface Props {
  readonly queue: QueueSetUp
  readonly setUp: SetUp
  readonly onSave: (queue: QueueSetUp) => void
  readonly onClose: () => void
  /** Name of the field that was meant. */
  readonly beginsAt?: string | null | undefined
}

export function QueueEditor({ queue, setUp, onSave, onClose, beginsAt }: Props) {
  const { register, control, handleSubmit, formState } = useForm<QueueForm>({
    resolver: zodResolver(QueueFormSchema),
    defaultValues: { ...toQueueForm(queue), number: queue.number === '' ? '' : numberWords(queue.number) },
  })
  const { errors } = formState
  const part = { register, control, errors, setUp, queue }
  const seconds = (name: 'headStartS' | 'answerWithinS' | 'wrapUpS' | 'overWrapUpS' | 'wrapUpExtensionS' | 'stormHeadStartS', label: string, hint?: string) => (
    <TextField
      label={`${label} (seconds)`}
      type="number"
      min={0}
      step="any"
      {...(hint === undefined ? {} : { hint })}
      problem={errors[name]?.message ?? null}
      {...register(name, { valueAsNumber: true })}
    />
  )
  const warning = (name: 'warnsWaiting' | 'warnsLongestS' | 'warnsBelowPercent', label: string, hint = 'Empty: no warning.') => (
    <TextField label={label} inputMode="numeric" hint={hint} problem={errors[name]?.message ?? null} {...register(name)} />
  )
  const text = (name: 'announcement' | 'closedMessage' | 'fullMessage' | 'stormAnnouncement', label: string) => (
    <TextField label={label} problem={errors[name]?.message ?? null} {...register(name)} />
  )
  return (
    <EditorDialog
      beginsAt={beginsAt}
      title={`Queue ${queue.name}`}
      dirty={formState.isDirty}
      onClose={onClose}
      onSubmit={handleSubmit((form) => {
        onSave(fromQueueForm(form, queue))
        onClose()
      })}
    >
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Name" problem={errors.name?.message ?? null} {...register('name')} />
        <TextField label="Number" hint="Shown to whoever is called for it. Empty for none." problem={errors.number?.message ?? null} {...register('number')} />
        {seconds('headStartS', 'Priority', 'Its calls count as having waited so much longer.')}
        {seconds('answerWithinS', 'Answer within')}
      </div>
      <fieldset className="border-line border-t pt-3">
        <legend className="float-left mb-1 w-full font-semibold">Also takes, and answers within</legend>
        <div className="clear-both grid grid-cols-3 gap-3">
          {(
            [
              ['chatWithinS', 'Chats (s)'],
              ['mailWithinMin', 'Mails (min)'],
              ['textWithinMin', 'Texts (min)'],
            ] as const
          ).map(([name, label]) => (
            <TextField key={name} label={label} inputMode="numeric" hint="Empty: takes none." problem={errors[name]?.message ?? null} {...register(name)} />
          ))}
        </div>
      </fieldset>
      <fieldset className="border-line border-t pt-3">
        <legend className="float-left mb-1 w-full font-semibold">The Floor warns when</legend>
        <div className="clear-both grid gap-3 sm:grid-cols-3">
          {warning('warnsWaiting', 'More wait than')}
          {warning('warnsLongestS', 'Longest waits over (s)', 'Empty: over the time to answer within.')}
          {warning('warnsBelowPercent', 'Fewer in time than (%)')}
        </div>
      </fieldset>
      <GroupRows {...part} />
      <ScriptRows {...part} />
      <NeedRows {...part} />
      <OverflowRows
        {...part}
        name="overflow"
        label="Overflow"
        hint="After a time in the queue its calls are offered to further agents as well, and keep their place."
      />
      <fieldset className="border-line border-t pt-3">
        <legend className="float-left mb-1 w-full font-semibold">Wrap-up</legend>
        <div className="clear-both grid grid-cols-[10.75rem_1fr_1fr_1fr] gap-3">
          {seconds('wrapUpS', 'Recommended')}
          {seconds('overWrapUpS', 'Over-time')}
          <TextField
            label="Limit (seconds)"
            inputMode="numeric"
            hint="Empty for none"
            problem={errors.wrapUpLimitS?.message ?? null}
            {...register('wrapUpLimitS')}
          />
          {seconds('wrapUpExtensionS', 'Extension')}
        </div>
        <SelectField label="At the limit the call is owed, and the agent is" className="mt-2" {...register('wrapUpThen')}>
          <option value="notReady">not ready, until it is coded</option>
          <option value="ready">ready for the next call</option>
        </SelectField>
      </fieldset>
      <SelectField label="A caller whose agent’s desk is lost in mid-call goes" {...register('deskLostTo')}>
        <option value="head">to the head of the queue</option>
        <option value="anyLevel">to the head of the queue, and to its agents of any level</option>
      </SelectField>
      <HourRows {...part} />
      <fieldset className="space-y-2 border-line border-t pt-3">
        <legend className="float-left mb-1 w-full font-semibold">What callers hear</legend>
        {text('announcement', 'Announcement')}
        {text('closedMessage', 'When it is closed')}
        <div className="grid grid-cols-[9.375rem_1fr] gap-3">
          <TextField label="Full at" inputMode="numeric" hint="Empty for no limit" problem={errors.fullLimit?.message ?? null} {...register('fullLimit')} />
          {text('fullMessage', 'When it is full')}
        </div>
      </fieldset>
      <fieldset className="grid grid-cols-2 gap-1 border-line border-t pt-3">
        <legend className="sr-only">Ways of the queue</legend>
        {TICKS.map(([name, label]) => (
          <label key={name} className="flex items-center gap-2">
            <input type="checkbox" className="size-4 accent-green" {...register(name)} />
            {label}
          </label>
        ))}
      </fieldset>
      <fieldset className="space-y-2 border-brass border-l-4 pl-3">
        <legend className="float-left mb-1 w-full font-semibold">When it is switched to storm</legend>
        {text('stormAnnouncement', 'Announcement instead')}
        {seconds('stormHeadStartS', 'Further priority')}
        <OverflowRows {...part} name="stormOverflow" label="Further overflow" />
      </fieldset>
    </EditorDialog>
  )
}

const TICKS = [
  ['tellsWait', 'Tell callers the expected wait'],
  ['keepsPlaces', 'Whoever waits may keep their place and be called'],
  ['takesMessages', 'Takes messages: from callers waiting, and from everybody while it is closed'],
  ['answersItself', 'Put through without ringing, after a tone'],
  ['records', 'Record every call'],
  ['retired', 'Retired: takes no calls any more'],
] as const

interface Part {
  readonly register: UseFormRegister<QueueForm>
  readonly control: Control<QueueForm>
  readonly errors: FieldErrors<QueueForm>
  readonly setUp: SetUp
  readonly queue: QueueSetUp
}

/** The first sentence about any row: rows are short enough to see which one is meant. */
const firstOf = (problems: unknown): string | undefined => {
  if (typeof problems !== 'object' || problems === null) return undefined
  if ('message' in problems && typeof problems.message === 'string') return problems.message
  for (const value of Object.values(problems)) {
    const found = firstOf(value)
    if (found !== undefined) return found
  }
  return undefined
}

function GroupRows({ register, control, errors }: Part) {
  const { fields, append, remove } = useFieldArray({ control, name: 'goesFirst' })
  return (
    <RowsField
      label="Callers who go first"
      rows={fields}
      add="Add a group"
      onAdd={() => append({ group: '', headStartS: 60 })}
      onRemove={remove}
      problem={firstOf(errors.goesFirst)}
    >
      {(_, i) => (
        <>
          <input aria-label="Group of callers" className={`${ROW_INPUT} flex-1`} {...register(`goesFirst.${i}.group`)} />
          <input
            aria-label="Head start in seconds"
            type="number"
            className={`${ROW_INPUT} w-24`}
            {...register(`goesFirst.${i}.headStartS`, { valueAsNumber: true })}
          />
          <span className="text-soft">s ahead</span>
        </>
      )}
    </RowsField>
  )
}

/** Its script, and others for callers of a path or a group. */
function ScriptRows({ register, control, errors, setUp, queue }: Part) {
  const { fields, append, remove } = useFieldArray({ control, name: 'scriptChoices' })
  const scripts = (
    <>
      <option value="">no script</option>
      {scriptsInUse(setUp).map((s) => (
        <option key={s.id} value={s.id}>
          {s.name}
        </option>
      ))}
    </>
  )
  return (
    <>
      <SelectField label="Script" {...register('scriptId')}>
        {scripts}
      </SelectField>
      <RowsField
        label="Another script for some callers"
        hint="The first row that fits is taken; an empty path or group fits anybody."
        rows={fields}
        add="Add a script"
        onAdd={() => append({ path: queue.paths[0] ?? '', group: '', scriptId: '' })}
        onRemove={remove}
        problem={firstOf(errors.scriptChoices)}
      >
        {(_, i) => (
          <>
            <input aria-label="Path" placeholder="any path" className={`${ROW_INPUT} w-36`} {...register(`scriptChoices.${i}.path`)} />
            <input
              aria-label="Group of callers for a script"
              placeholder="any group"
              className={`${ROW_INPUT} w-36`}
              {...register(`scriptChoices.${i}.group`)}
            />
            <select aria-label="Script for them" className={`${ROW_INPUT} flex-1`} {...register(`scriptChoices.${i}.scriptId`)}>
              {scripts}
            </select>
          </>
        )}
      </RowsField>
    </>
  )
}

function NeedRows({ register, control, errors, setUp }: Part) {
  const { fields, append, remove } = useFieldArray({ control, name: 'needs' })
  const first = setUp.skills[0]
  return (
    <RowsField
      label="Skills it needs"
      rows={fields}
      add="Add a skill"
      onAdd={() => first !== undefined && append({ skillId: first.id, level: 1 })}
      onRemove={remove}
      problem={firstOf(errors.needs)}
    >
      {(_, i) => (
        <>
          <select aria-label="Skill" className={`${ROW_INPUT} flex-1`} {...register(`needs.${i}.skillId`)}>
            {setUp.skills.map((skill) => (
              <option key={skill.id} value={skill.id}>
                {skill.name}
              </option>
            ))}
          </select>
          <span className="text-soft">from level</span>
          <select aria-label="Least level" className={ROW_INPUT} {...register(`needs.${i}.level`, { valueAsNumber: true })}>
            {[1, 2, 3, 4, 5].map((level) => (
              <option key={level} value={level}>
                {level}
              </option>
            ))}
          </select>
        </>
      )}
    </RowsField>
  )
}

function OverflowRows({
  register,
  control,
  errors,
  setUp,
  queue,
  name,
  label,
  hint,
}: Part & { name: 'overflow' | 'stormOverflow'; label: string; hint?: string }) {
  const { fields, append, remove } = useFieldArray({ control, name })
  return (
    <RowsField
      label={label}
      {...(hint === undefined ? {} : { hint })}
      rows={fields}
      add="Add an overflow"
      onAdd={() => append({ afterS: 60, to: 'anyLevel' })}
      onRemove={remove}
      problem={firstOf(errors[name])}
    >
      {(_, i) => (
        <>
          <span className="text-soft">after</span>
          <input aria-label="Seconds" type="number" className={`${ROW_INPUT} w-20`} {...register(`${name}.${i}.afterS`, { valueAsNumber: true })} />
          <span className="text-soft">s to</span>
          <select aria-label="Overflow to" className={`${ROW_INPUT} flex-1`} {...register(`${name}.${i}.to`)}>
            <option value="anyLevel">its own agents of any level</option>
            {setUp.queues
              .filter((q) => q.id !== queue.id && !q.retired)
              .map((q) => (
                <option key={q.id} value={q.id}>
                  agents of {q.name}
                </option>
              ))}
          </select>
        </>
      )}
    </RowsField>
  )
}

function HourRows({ register, control, errors, setUp }: Part) {
  const { fields, append, remove } = useFieldArray({ control, name: 'hours' })
  return (
    <RowsField
      label="Opening hours"
      hint={`In the time zone ${setUp.timeZone}. Without a row the queue is always open.`}
      rows={fields}
      add="Add hours"
      onAdd={() => append({ days: ['1', '2', '3', '4', '5'], from: '08:00', to: '18:00' })}
      onRemove={remove}
      problem={firstOf(errors.hours)}
    >
      {(_, i) => (
        <>
          <span className="flex gap-1.5">
            {DAYS.map((day, d) => (
              <label key={day} className="flex flex-col items-center text-xs">
                <input type="checkbox" aria-label={day} value={String(d + 1)} className="size-4 accent-green" {...register(`hours.${i}.days`)} />
                <span aria-hidden>{day}</span>
              </label>
            ))}
          </span>
          <input aria-label="From" className={`${ROW_INPUT} tabular w-20`} {...register(`hours.${i}.from`)} />
          <span className="text-soft">to</span>
          <input aria-label="To" className={`${ROW_INPUT} tabular w-20`} {...register(`hours.${i}.to`)} />
        </>
      )}
    </RowsField>
  )
}
