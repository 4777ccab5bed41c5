// The checker of campaigns: what would keep one from calling anybody, from being worked, or from keeping the law.
import { isTimeZone } from '@/core/time'
import type { CampaignSetUp } from './campaign'
import type { Finding } from './finding'
import type { SetUp } from './schema'

/** 16 CFR 310.4(b)(4)(i). */
const LAWFUL_SHARE = 0.03

export const checkCampaigns = (setUp: SetUp): readonly Finding[] =>
  setUp.campaigns.filter((c) => !c.retired).flatMap((campaign) => checkCampaign(setUp, campaign))

function checkCampaign(setUp: SetUp, campaign: CampaignSetUp): Finding[] {
  const place = `Campaign ${campaign.name}`
  const findings: Finding[] = []
  const error = (says: string, cure: string) => findings.push({ grade: 'error', place, says, cure })
  const warning = (says: string, cure: string) => findings.push({ grade: 'warning', place, says, cure })
  const { attempts, hours, fromDay, toDay } = campaign

  const agents = setUp.agents.filter((a) => !a.retired && campaign.agentIds.includes(a.id))
  if (agents.length === 0) error('No agent may work it.', 'Add at least one agent to it.')
  else if (!agents.some((a) => a.may.includes('campaigns'))) error('Nobody of its agents is enabled for campaign work.', 'Enable one of them, or add others.')

  const set = setUp.outcomeSets.find((s) => s.id === campaign.outcomeSetId)
  if (set === undefined) error('Its outcome set is not there.', 'Choose one of the outcome sets.')
  else if (!set.codes.some((c) => !c.retired && (c.counts.final || c.follows.kind === 'neverCall')))
    error('None of its codes ends a record: people would be called until their tries are used up.', 'Mark at least one code as final.')

  const script = campaign.scriptId === null ? null : setUp.scripts.find((s) => s.id === campaign.scriptId)
  if (script === undefined) error('Its script is not there.', 'Choose one of the scripts, or none.')
  else if (campaign.scriptId !== null && setUp.archivedScriptIds.includes(campaign.scriptId))
    error('Its script is archived.', 'Choose one in use, or bring that one back.')
  else if (script !== null && !script.pages.some((p) => p.id === script.startPage && p.say.length > 0))
    error('Its script has no opening.', 'Write what is said first.')

  if (campaign.ringBackQueueId !== null && !setUp.queues.some((q) => q.id === campaign.ringBackQueueId && !q.retired))
    error('The queue for those who ring back is not there.', 'Choose one of the queues, or none.')

  if (!hours.some((o) => o.fromMinute < o.toMinute)) error('Its hours never open: nobody could be called.', 'Enter an end after the beginning.')
  else if (hours.some((o) => o.fromMinute >= o.toMinute))
    error('Some of its hours end before they begin.', 'Enter an end after the beginning; a night is two rows.')
  if (fromDay !== null && toDay !== null && fromDay > toDay) error('It ends before it begins.', 'Enter a last day after the first.')
  if (!isTimeZone(campaign.timeZone)) error(`${campaign.timeZone} is no time zone.`, 'Choose one of the list.')

  for (const [whose, limits] of [
    ['a person', attempts.perRecord],
    ['a number', attempts.perNumber],
  ] as const) {
    if (limits.perDay > limits.perSevenDays) warning(`More tries of ${whose} are allowed in one day than in seven.`, 'Allow fewer a day.')
    if (limits.perSevenDays > limits.inAll)
      warning(`More tries of ${whose} are allowed in seven days than in all.`, 'Allow fewer in seven days, or more in all.')
  }
  if (campaign.abandonCap.share > LAWFUL_SHARE)
    warning(
      `${Math.round(campaign.abandonCap.share * 1000) / 10} % of those who answer may be abandoned; ${campaign.abandonCap.rule} allows 3 %.`,
      'Lower it, unless another law holds there.',
    )
  if (campaign.machineGets === 'message' && campaign.machineMessage.trim() === '') error('Machines get a message, and there is none.', 'Write the message.')
  if (campaign.machineGets !== 'nothing' && !campaign.detector) warning('What machines get is said, but nothing listens for machines.', 'Turn the detector on.')
  if (campaign.wrapUpLimit !== null && campaign.wrapUpLimit.afterMs < campaign.recommendedWrapUpMs)
    error('The limit of its wrap-up is shorter than the time that is recommended.', 'Raise the limit, or recommend less.')
  return findings
}
