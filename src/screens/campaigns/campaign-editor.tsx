'use client'
// A campaign is edited, or a copy of it made: the whole set-up is taken, this one changed in it, and put into use. What the checker finds is said before that,
// and what somebody else has changed meanwhile is kept.
import { zodResolver } from '@hookform/resolvers/zod'
import { type ReactNode, useEffect, useState } from 'react'
import { useForm } from 'react-hook-form'
import { toCampaignId } from '@/core/ids'
import { type CampaignSetUp, checkSetUp, MANNERS, RECORD_ORDERS, type SetUp, SetUpSchema, scriptsInUse } from '@/core/set-up'
import { Button, Dialog, Problem, SelectField, TextField, useSought } from '@/parts/ui'
import { MANNER_MEANS, MANNER_WORDS, numberWords } from '@/parts/words'
import type { SetUpInUse } from '@/services/exchange/protocol'
import { useCommand, useFloor } from '@/services/exchange/react'
import { type CampaignForm, CampaignFormSchema, fromCampaignForm, toCampaignForm } from './campaign-form'

interface Props {
  readonly campaignId: string
  /** A new one like it, which begins as a draft. */
  readonly copies: boolean
  readonly onClose: () => void
}

export function CampaignEditor(props: Props) {
  const floor = useFloor()
  const [loaded, setLoaded] = useState<SetUpInUse | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  useEffect(() => {
    if (floor === null) return
    let alive = true
    void floor.ask({ kind: 'setUp' }).then((reply) => {
      if (!alive) return
      if (reply.ok) setLoaded(JSON.parse(reply.text ?? 'null') as SetUpInUse)
      else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
    })
    return () => {
      alive = false
    }
  }, [floor])
  const campaign = loaded?.setUp.campaigns.find((c) => c.id === props.campaignId)
  if (loaded === null || campaign === undefined)
    return (
      <Dialog open onOpenChange={(open) => !open && props.onClose()} title="Edit campaign" description="">
        {problem === null ? <p className="text-soft">Opening the set-up…</p> : <Problem>{problem}</Problem>}
      </Dialog>
    )
  return <Form {...props} inUse={loaded} campaign={props.copies ? copyOf(campaign, loaded.setUp) : campaign} />
}

/** Named apart from all others; who worked the first may work it as well. */
function copyOf(campaign: CampaignSetUp, { campaigns }: SetUp): CampaignSetUp {
  let n = 2
  while (campaigns.some((c) => c.id === `${campaign.id}-${n}` || c.name === `${campaign.name} ${n}`)) n++
  return { ...campaign, id: toCampaignId(`${campaign.id}-${n}`), name: `${campaign.name} ${n}`, retired: false }
}

function Form({ copies, onClose, inUse, campaign }: Props & { readonly inUse: SetUpInUse; readonly campaign: CampaignSetUp }) {
  const command = useCommand()
  const { register, handleSubmit, formState, watch } = useForm<CampaignForm>({
    resolver: zodResolver(CampaignFormSchema),
    defaultValues: { ...toCampaignForm(campaign), callerId: numberWords(campaign.callerId) },
  })
  const { errors } = formState
  const [problem, setProblem] = useState<string | null>(null)
  const [warned, setWarned] = useState('')
  const [asked, setAsked] = useState(false)
  const { setUp, revision } = inUse
  const manner = watch('manner')
  const sought = useSought('Find an agent', setUp.agents.length)
  const text = (name: keyof CampaignForm, label: string, hint?: string) => (
    <TextField label={label} {...(hint === undefined ? {} : { hint })} problem={errors[name]?.message ?? null} {...register(name)} />
  )
  const tick = (name: 'detector' | 'anotherTimeOfDay' | 'records' | 'retired', label: string) => (
    <label className="flex items-center gap-2">
      <input type="checkbox" className="size-4 accent-green" {...register(name)} />
      {label}
    </label>
  )
  const save = async (form: CampaignForm) => {
    const changed = fromCampaignForm(form, campaign)
    const others = setUp.campaigns.filter((c) => c.id !== changed.id)
    const next = SetUpSchema.parse({ ...setUp, campaigns: copies ? [...others, changed] : setUp.campaigns.map((c) => (c.id === changed.id ? changed : c)) })
    const found = checkSetUp(next).filter((f) => f.place === `Campaign ${changed.name}`)
    const error = found.find((f) => f.grade === 'error')
    if (error !== undefined) return setProblem(`${error.says} ${error.cure}`)
    const warning = found.map((f) => `${f.says} ${f.cure}`).join(' ')
    if (warning !== '' && warning !== warned) {
      setWarned(warning)
      return setProblem(`${warning} Save again if it is meant.`)
    }
    const reply = await command({ kind: 'changeSetUp', setUp: next, basedOn: revision })
    if (reply.ok) onClose()
    else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && (formState.isDirty ? setAsked(true) : onClose())}
      title={copies ? `New campaign like ${campaign.name.replace(/ \d+$/, '')}` : `Campaign ${campaign.name}`}
      description={
        copies ? 'It begins as a draft and has no list yet.' : 'What is changed holds from the next call on; people who ring already are not touched.'
      }
    >
      <form noValidate className="space-y-4" onSubmit={handleSubmit(save)}>
        <Group label="What it is">
          {text('name', 'Name')}
          {text('callerId', 'Number shown to those called')}
          <div className="col-span-2">{text('purpose', 'Purpose')}</div>
          <SelectField label="Script" {...register('scriptId')}>
            <option value="">None</option>
            {scriptsInUse(setUp).map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </SelectField>
          <SelectField label="Outcome set" {...register('outcomeSetId')}>
            {setUp.outcomeSets.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </SelectField>
        </Group>
        <Group label="Who rings back">
          <SelectField label="Waits in the queue" {...register('ringBackQueueId')}>
            <option value="">Nobody answers that number</option>
            {setUp.queues
              .filter((q) => !q.retired)
              .map((q) => (
                <option key={q.id} value={q.id}>
                  {q.name}
                </option>
              ))}
          </SelectField>
          <p className="self-end pb-1.5 text-soft">With their record and the script of this campaign.</p>
        </Group>
        <Group label="How it calls">
          <SelectField label="Manner" {...register('manner')}>
            {MANNERS.map((m) => (
              <option key={m} value={m}>
                {MANNER_WORDS[m]}: {MANNER_MEANS[m]}
              </option>
            ))}
          </SelectField>
          <SelectField label="Order" {...register('order')}>
            {RECORD_ORDERS.map((order) => (
              <option key={order} value={order}>
                {ORDER_WORDS[order]}
              </option>
            ))}
          </SelectField>
          {text('lines', 'Outside lines')}
          {text('ringLimitS', 'Rings at most (seconds)', 'Never less than 15')}
          {manner === 'preview' && text('previewLimitS', 'To decide (seconds)', 'Empty for as long as it takes')}
          {text('target', 'Stops after so many conversions', 'Empty for when the list is done')}
          {text('wrapUpS', 'Wrap-up recommended (seconds)')}
        </Group>
        <Group label="Whom nobody could take, and machines">
          {text('capPercent', 'Abandoned at most (%)', campaign.abandonCap.rule)}
          <SelectField label="A machine gets" {...register('machineGets')}>
            <option value="nothing">nothing: the call ends</option>
            <option value="message">a recorded message</option>
            <option value="agent">an agent</option>
          </SelectField>
          <div className="col-span-2">{text('abandonedMessage', 'Said to whom nobody could take')}</div>
          <div className="col-span-2">{text('machineMessage', 'Said to a machine')}</div>
          {tick('detector', 'Listen first whether it is a person')}
          {text('dropsPercent', 'People it takes for machines (%)', 'As its maker says, or a test has found')}
        </Group>
        <Group label="When, as the clock stands at their place">
          {text('from', 'From')}
          {text('to', 'To')}
          {text('fromDay', 'First day', 'Such as 2026-12-01')}
          {text('toDay', 'Last day')}
          <div className="col-span-2">{text('leftOutDays', 'Days left out')}</div>
        </Group>
        <Group label="How often">
          {text('inAll', 'Tries of a person, in all')}
          {text('perDay', 'a day')}
          {text('perSevenDays', 'in seven days')}
          {text('nextNumberAfter', 'Next number after so many tries')}
          {text('busyMin', 'Again after busy (minutes)')}
          {text('noAnswerMin', 'after no answer (minutes)')}
          {text('machineMin', 'after a machine (minutes)')}
          {text('refusedMin', 'after a refusal (minutes)')}
          {tick('anotherTimeOfDay', 'At another time of day than the last try')}
        </Group>
        <fieldset className="border-line border-t pt-3">
          <legend className="float-left mb-1 w-full font-semibold">Who may work it</legend>
          <div className="clear-both mb-2">{sought.field}</div>
          <div className="clear-both grid max-h-44 grid-cols-2 gap-1 overflow-auto">
            {setUp.agents
              .filter((a) => !a.retired)
              .map((a) => (
                <label key={a.id} className={sought.isSought(a.name) ? 'flex items-center gap-2' : 'hidden'}>
                  <input type="checkbox" value={a.id} className="size-4 accent-green" {...register('agentIds')} />
                  {a.name}
                </label>
              ))}
          </div>
        </fieldset>
        <div className="flex flex-wrap gap-x-6 gap-y-1">
          {tick('records', 'Record every call')}
          {!copies && tick('retired', 'Retired: nobody works it any more')}
        </div>
        {problem !== null && <Problem>{problem}</Problem>}
        <div className="sticky bottom-0 flex flex-wrap items-center gap-3 border-line border-t bg-raised pt-3">
          <Button type="submit" tone="primary">
            {copies ? 'Make campaign' : 'Save campaign'}
          </Button>
          <Button onClick={onClose}>{formState.isDirty ? 'Throw changes away' : 'Cancel'}</Button>
          {asked && formState.isDirty && (
            <p role="alert" className="text-red">
              You have changed something here. Save it, or throw it away.
            </p>
          )}
        </div>
      </form>
    </Dialog>
  )
}

const ORDER_WORDS = { imported: 'As imported', priority: 'By priority', fewestTries: 'Fewest tries first', bestHour: 'Best hour first' } as const

function Group({ label, children }: { label: string; children: ReactNode }) {
  return (
    <fieldset className="border-line border-t pt-3">
      <legend className="float-left mb-1 w-full font-semibold">{label}</legend>
      <div className="clear-both grid grid-cols-2 gap-3">{children}</div>
    </fieldset>
  )
}
