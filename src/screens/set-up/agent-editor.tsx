'use client'
// The form of an account: name and PIN, queues, skills with levels, and what it may do.
import { zodResolver } from '@hookform/resolvers/zod'
import { useFieldArray, useForm } from 'react-hook-form'
import * as z from 'zod'
import { ENTITLEMENT_WORDS } from '@/core/rules/rights'
import { type AgentSetUp, AgentSetUpSchema, ENTITLEMENTS, MOST_SKILLED, type SetUp } from '@/core/set-up'
import { SelectField, TextField } from '@/parts/ui'
import { numberWords } from '@/parts/words'
import { EditorDialog } from './editor-dialog'
import { LoadRowsSchema, LoadsField, loadWords, ONE_OF_EACH } from './loads-field'
import { shownNumber } from './queue-form'
import { ROW_INPUT } from './rows-field'

const AgentFormSchema = z.object({
  name: z.string().trim().min(1, 'The account needs a name.'),
  /** Empty leaves the one that holds. */
  pin: z.string().regex(/^(\d{4,8})?$/, 'A PIN is four to eight digits.'),
  role: z.enum(['agent', 'supervisor']),
  team: z.string().trim().max(60, 'At most 60 characters.'),
  number: shownNumber,
  extension: z
    .string()
    .trim()
    .regex(/^(\d{2,5})?$/, 'Type two to five digits, or leave it empty.'),
  queueIds: z.array(z.string()),
  /** Level by skill; `0` for none. */
  levels: z.record(z.string(), z.string()),
  may: z.array(z.enum(ENTITLEMENTS)),
  answersItself: z.boolean(),
  takesWrapUp: z.boolean(),
  /** None: what the centre says. */
  carries: LoadRowsSchema,
  retired: z.boolean(),
})
type AgentForm = z.infer<typeof AgentFormSchema>

interface Props {
  readonly agent: AgentSetUp
  readonly setUp: SetUp
  /** Whether somebody can sign in to it already. */
  readonly hasPin: boolean
  /** `pin` is empty where it stays as it is. */
  readonly onSave: (agent: AgentSetUp, pin: string) => void
  readonly onClose: () => void
  /** Name of the field that was meant. */
  readonly beginsAt?: string | null | undefined
}

export function AgentEditor({ agent, setUp, hasPin, onSave, onClose, beginsAt }: Props) {
  const { register, control, handleSubmit, formState } = useForm<AgentForm>({
    resolver: zodResolver(AgentFormSchema),
    defaultValues: {
      name: agent.name,
      pin: '',
      role: agent.role,
      team: agent.team,
      number: agent.number === '' ? '' : numberWords(agent.number),
      extension: agent.extension,
      queueIds: [...agent.queueIds],
      levels: Object.fromEntries(setUp.skills.map((s) => [s.id, String(agent.skills.find((k) => k.skillId === s.id)?.level ?? 0)])),
      may: [...agent.may],
      answersItself: agent.answersItself,
      takesWrapUp: agent.takesWrapUp,
      carries: (agent.carries ?? []).map((load) => ({ ...load })),
      retired: agent.retired,
    },
  })
  const carries = useFieldArray({ control, name: 'carries' })
  const save = ({ levels, pin, carries: own, ...form }: AgentForm) => {
    const skills = setUp.skills.flatMap((s) => (Number(levels[s.id] ?? 0) > 0 ? [{ skillId: s.id, level: Number(levels[s.id]) }] : []))
    onSave(AgentSetUpSchema.parse({ ...agent, ...form, number: form.number.replace(/[^+\d]/g, ''), skills, carries: own.length === 0 ? null : own }), pin)
    onClose()
  }
  const tick = 'flex items-center gap-2'
  return (
    <EditorDialog beginsAt={beginsAt} title={`Account ${agent.name}`} dirty={formState.isDirty} onClose={onClose} onSubmit={handleSubmit(save)}>
      <div className="grid grid-cols-[1fr_8.75rem_10rem] gap-3">
        <TextField label="Name" problem={formState.errors.name?.message ?? null} {...register('name')} />
        <TextField
          label="New PIN"
          inputMode="numeric"
          autoComplete="off"
          hint={hasPin ? 'Empty: theirs holds.' : 'None yet: nobody can sign in.'}
          problem={formState.errors.pin?.message ?? null}
          {...register('pin')}
        />
        <SelectField label="Role" {...register('role')}>
          <option value="agent">Agent</option>
          <option value="supervisor">Supervisor</option>
        </SelectField>
      </div>
      <div className="grid grid-cols-[1fr_1fr_8.75rem] gap-3">
        <TextField label="Team" hint="Colleagues are listed by it." problem={formState.errors.team?.message ?? null} {...register('team')} />
        <TextField
          label="Number"
          hint="Shown to whoever they call. Empty for none."
          problem={formState.errors.number?.message ?? null}
          {...register('number')}
        />
        <TextField
          label="Extension"
          inputMode="numeric"
          autoComplete="off"
          hint="Colleagues dial it."
          problem={formState.errors.extension?.message ?? null}
          {...register('extension')}
        />
      </div>
      <fieldset className="border-line border-t pt-3">
        <legend className="float-left w-full font-semibold">Queues</legend>
        <div className="clear-both grid grid-cols-2 gap-1">
          {setUp.queues
            .filter((q) => !q.retired)
            .map((q) => (
              <label key={q.id} className={tick}>
                <input type="checkbox" value={q.id} className="size-4 accent-green" {...register('queueIds')} />
                {q.name}
              </label>
            ))}
        </div>
      </fieldset>
      <fieldset className="border-line border-t pt-3">
        <legend className="float-left w-full font-semibold">Skills</legend>
        <div className="clear-both grid grid-cols-2 gap-1">
          {setUp.skills.map((skill) => (
            <label key={skill.id} className="flex items-center justify-between gap-2 pr-6">
              {skill.name}
              <select className={ROW_INPUT} {...register(`levels.${skill.id}`)}>
                <option value="0">none</option>
                {Array.from({ length: MOST_SKILLED }, (_, i) => (
                  <option key={skill.id + String(i)} value={i + 1}>
                    level {i + 1}
                  </option>
                ))}
              </select>
            </label>
          ))}
        </div>
      </fieldset>
      <LoadsField
        label="Carries at once"
        hint={`Whatever stays within one of the rows. Without any, as the centre has it: ${setUp.carries.map(loadWords).join(', or ')}.`}
        rows={carries.fields}
        register={register}
        errors={formState.errors.carries}
        onAdd={() => carries.append(ONE_OF_EACH)}
        onRemove={carries.remove}
      />
      <fieldset className="border-line border-t pt-3">
        <legend className="float-left w-full font-semibold">May</legend>
        <div className="clear-both grid grid-cols-2 gap-1">
          {ENTITLEMENTS.map((what) => (
            <label key={what} className={tick}>
              <input type="checkbox" value={what} className="size-4 accent-green" {...register('may')} />
              {ENTITLEMENT_WORDS[what]}
            </label>
          ))}
        </div>
      </fieldset>
      <div className="grid grid-cols-2 gap-1 border-line border-t pt-3">
        <label className={tick}>
          <input type="checkbox" className="size-4 accent-green" {...register('answersItself')} />
          Put through without ringing, after a tone
        </label>
        <label className={tick}>
          <input type="checkbox" className="size-4 accent-green" {...register('takesWrapUp')} />
          Takes wrap-up; otherwise the outcome is owed
        </label>
        <label className={tick}>
          <input type="checkbox" className="size-4 accent-green" {...register('retired')} />
          Retired: cannot sign in
        </label>
      </div>
    </EditorDialog>
  )
}
