'use client'
import { zodResolver } from '@hookform/resolvers/zod'
// Skills and reasons, and the times of the centre: short lists that are edited in place.
import { useFieldArray, useForm } from 'react-hook-form'
import * as z from 'zod'
import { SkillIdSchema } from '@/core/ids'
import { ReasonSchema, type SetUp } from '@/core/set-up'
import { MINUTE, SECOND } from '@/core/time'
import { TextField } from '@/parts/ui'
import { EditorDialog } from './editor-dialog'
import { slug } from './ids'
import { firstProblem, LoadRowsSchema, LoadsField, ONE_OF_EACH } from './loads-field'
import { ROW_INPUT, RowsField } from './rows-field'

const positive = z.number({ error: 'Type a number.' }).positive('More than nothing.')
const daysKept = z
  .string()
  .trim()
  .regex(/^([1-9]\d{0,2}|[1-3]\d{3})?$/, 'Type whole days, 3,999 at most, or leave it empty: then it is kept for ever.')

const ListsFormSchema = z.object({
  skills: z.array(z.object({ skillId: z.string(), name: z.string().trim().min(1, 'Every skill needs a name.') })),
  reasons: z.array(
    z.object({
      name: z.string().trim().min(1, 'Every reason needs a name.'),
      paid: z.boolean(),
      plannedMin: z.string().regex(/^\d*(\.\d+)?$/, 'Planned minutes are a number, or empty.'),
      givenByFloor: z.boolean(),
    }),
  ),
  carries: LoadRowsSchema.min(1, 'Say at least once what an agent may carry.'),
  timeZone: z.string().trim().min(1, 'Name the time zone.'),
  ringLimitS: positive,
  holdLimitS: positive,
  parkLimitS: positive,
  mostOwed: z.number({ error: 'Type a number.' }).int('A whole number.').min(0, 'Not less than none.').max(99, '99 are the most.'),
  callbackMissedMin: positive,
  lockAfterMin: z.string().regex(/^([1-9]\d{0,3})?$/, 'Type whole minutes, or leave it empty: then it is never locked.'),
  detailsDays: daysKept,
  recordingsDays: daysKept,
  messagesDays: daysKept,
  attemptsDays: daysKept,
  listeningIsShown: z.boolean(),
  takeBackS: z.number({ error: 'Type a number.' }).min(0, 'Not less than nothing.').max(10, 'Ten seconds are the most.'),
})
type ListsForm = z.infer<typeof ListsFormSchema>

const KEPT_FIELDS = [
  ['detailsDays', 'Who it was, notes, answers and what was said'],
  ['recordingsDays', 'Recordings of calls'],
  ['messagesDays', 'Messages in mailboxes'],
  ['attemptsDays', 'People of calling lists, after their last try'],
] as const
const daysIn = (text: string): number | null => (text === '' ? null : Number(text))

interface Props {
  readonly setUp: SetUp
  readonly onSave: (change: Partial<SetUp>) => void
  readonly onClose: () => void
  /** Name of the field that was meant. */
  readonly beginsAt?: string | null | undefined
}

export function ListsEditor({ setUp, onSave, onClose, beginsAt }: Props) {
  const { register, control, handleSubmit, formState } = useForm<ListsForm>({ resolver: zodResolver(ListsFormSchema), defaultValues: toForm(setUp) })
  const skills = useFieldArray({ control, name: 'skills' })
  const reasons = useFieldArray({ control, name: 'reasons' })
  const carries = useFieldArray({ control, name: 'carries' })
  const { errors } = formState
  const times = [
    ['ringLimitS', 'Rings for (seconds)'],
    ['holdLimitS', 'Held too long after (seconds)'],
    ['parkLimitS', 'Parked for (seconds)'],
    ['takeBackS', 'Undo for (seconds)'],
    ['mostOwed', 'Outcomes that may be owed'],
    ['callbackMissedMin', 'Callback is missed after (minutes)'],
  ] as const
  return (
    <EditorDialog
      beginsAt={beginsAt}
      title="Reasons, skills and times"
      dirty={formState.isDirty}
      onClose={onClose}
      onSubmit={handleSubmit((form) => {
        onSave(fromForm(form))
        onClose()
      })}
    >
      <RowsField
        label="Reasons for not ready"
        rows={reasons.fields}
        add="Add a reason"
        onAdd={() => reasons.append({ name: '', paid: true, plannedMin: '', givenByFloor: false })}
        onRemove={reasons.remove}
        problem={firstProblem(errors.reasons)}
      >
        {(row, i) => (
          <>
            <input aria-label="Reason" readOnly={row.givenByFloor} className={`${ROW_INPUT} flex-1 read-only:text-soft`} {...register(`reasons.${i}.name`)} />
            <input aria-label="Planned minutes" inputMode="decimal" className={`${ROW_INPUT} w-16`} {...register(`reasons.${i}.plannedMin`)} />
            <span className="text-soft">min</span>
            <label className="flex items-center gap-1">
              <input type="checkbox" className="size-4 accent-green" {...register(`reasons.${i}.paid`)} /> paid
            </label>
            {row.givenByFloor && <span className="text-soft text-xs">given by the floor</span>}
          </>
        )}
      </RowsField>
      <RowsField
        label="Skills"
        rows={skills.fields}
        add="Add a skill"
        onAdd={() => skills.append({ skillId: '', name: '' })}
        onRemove={skills.remove}
        problem={firstProblem(errors.skills)}
      >
        {(_, i) => <input aria-label="Skill" className={`${ROW_INPUT} flex-1`} {...register(`skills.${i}.name`)} />}
      </RowsField>
      <LoadsField
        label="What an agent may carry at once"
        hint="Whatever stays within one of the rows. Mails wait beside anything, and none is offered during a call."
        rows={carries.fields}
        register={register}
        errors={errors.carries}
        onAdd={() => carries.append(ONE_OF_EACH)}
        onRemove={carries.remove}
      />
      <fieldset className="grid grid-cols-2 gap-3 border-line border-t pt-3">
        <legend className="sr-only">Times</legend>
        {times.map(([name, label]) => (
          <TextField key={name} label={label} type="number" step="any" problem={errors[name]?.message ?? null} {...register(name, { valueAsNumber: true })} />
        ))}
        <TextField
          label="A page is locked after (minutes)"
          inputMode="numeric"
          hint="Untouched, until its PIN is typed. Empty: never."
          problem={errors.lockAfterMin?.message ?? null}
          {...register('lockAfterMin')}
        />
        <TextField label="Time zone" problem={errors.timeZone?.message ?? null} {...register('timeZone')} />
      </fieldset>
      <fieldset className="grid grid-cols-2 gap-3 border-line border-t pt-3">
        <legend className="float-left col-span-2 mb-1 w-full font-semibold">Kept for (days)</legend>
        <p className="col-span-2 text-soft">
          Empty: for ever. What is older is forgotten from the next night on and cannot be brought back; that there was a call, and every figure, stays.
        </p>
        {KEPT_FIELDS.map(([name, label]) => (
          <TextField key={name} label={label} inputMode="numeric" problem={errors[name]?.message ?? null} {...register(name)} />
        ))}
      </fieldset>
      <label className="flex items-baseline gap-2 border-line border-t pt-3">
        <input type="checkbox" className="size-4 accent-green" {...register('listeningIsShown')} />
        <span>
          Agents see who listens in
          <span className="block text-soft">Turn it off only where the law lets you. Whoever whispers or steps in is always seen.</span>
        </span>
      </label>
    </EditorDialog>
  )
}

const toForm = (s: SetUp): ListsForm => ({
  skills: s.skills.map(({ id, name }) => ({ skillId: id, name })),
  reasons: s.notReadyReasons.map((r) => ({ ...r, plannedMin: r.plannedMs === null ? '' : String(r.plannedMs / MINUTE) })),
  carries: s.carries.map((l) => ({ ...l })),
  timeZone: s.timeZone,
  ringLimitS: s.ringLimitMs / SECOND,
  holdLimitS: s.holdLimitMs / SECOND,
  parkLimitS: s.parkLimitMs / SECOND,
  takeBackS: s.takeBackMs / SECOND,
  mostOwed: s.mostOwed,
  callbackMissedMin: s.callbackMissedAfterMs / MINUTE,
  lockAfterMin: s.lockAfterMs === null ? '' : String(Math.round(s.lockAfterMs / MINUTE)),
  detailsDays: String(s.keeps.detailsDays ?? ''),
  recordingsDays: String(s.keeps.recordingsDays ?? ''),
  messagesDays: String(s.keeps.messagesDays ?? ''),
  attemptsDays: String(s.keeps.attemptsDays ?? ''),
  listeningIsShown: s.listeningIsShown,
})

const fromForm = (form: ListsForm): Partial<SetUp> => ({
  skills: form.skills.map(({ skillId, name }) => ({ id: SkillIdSchema.parse(skillId === '' ? `skill_${slug(name)}` : skillId), name })),
  notReadyReasons: form.reasons.map(({ plannedMin, ...r }) =>
    ReasonSchema.parse({ ...r, plannedMs: Number(plannedMin) > 0 ? Number(plannedMin) * MINUTE : null }),
  ),
  carries: form.carries,
  timeZone: form.timeZone,
  ringLimitMs: form.ringLimitS * SECOND,
  holdLimitMs: form.holdLimitS * SECOND,
  parkLimitMs: form.parkLimitS * SECOND,
  takeBackMs: form.takeBackS * SECOND,
  mostOwed: form.mostOwed,
  callbackMissedAfterMs: form.callbackMissedMin * MINUTE,
  lockAfterMs: form.lockAfterMin === '' ? null : Number(form.lockAfterMin) * MINUTE,
  keeps: {
    detailsDays: daysIn(form.detailsDays),
    recordingsDays: daysIn(form.recordingsDays),
    messagesDays: daysIn(form.messagesDays),
    attemptsDays: daysIn(form.attemptsDays),
  },
  listeningIsShown: form.listeningIsShown,
})
