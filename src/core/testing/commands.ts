// What a wish comes to: the command it stands for on a floor at a moment, aimed at what is there, so that long and deep runs come about.
import { agentsOn, ROLES, type Target } from '@/core/calls'
import type { Attempt } from '@/core/campaigns'
import { ANSWERS } from '@/core/colleagues'
import type { Plan } from '@/core/conferences'
import type { AgentCommand, Command } from '@/core/floor'
import { type AgentId, type CallId, type CampaignId, toAttemptId, toCallbackId, toCallId, toConferenceId, toDeviceId, toMessageId, toTaskId } from '@/core/ids'
import type { AttemptReport } from '@/core/rules/campaign'
import { mayOpenBox } from '@/core/rules/voicemail'
import type { SetUp } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import type { Box } from '@/core/voicemail'
import { AGENT_COUNT, aRecord, CAMPAIGNS, MANY, OUTSIDE_PARTIES, queuesOf } from './crowded'
import { FIRST, SECOND_QUEUE, type TestFloor } from './small'
import { fits, sooner, suited, type Wish } from './wishes'
import { isWriting, toWriting } from './writing'

const A_NUMBER = { kind: 'number', typed: '01632 960140' } as const
const nth = <T>(items: readonly T[], n: number): T | undefined => (items.length === 0 ? undefined : items[n % items.length])
/** The command a wish stands for on this floor at this moment. */
export function toCommand(floor: TestFloor, { agent, pick, party, kind: wanted, flag }: Wish): Command {
  const state = floor.state()
  const kind = pick % 9 === 0 ? wanted : sooner(state, wanted)
  const agentId = pick % 9 === 0 ? (MANY[agent] as AgentId) : (nth(suited(state, kind), agent) ?? (MANY[agent] as AgentId))
  if (isWriting(kind)) return toWriting(state, kind, { agentId, pick, party, flag })
  const me = get(state.agents, agentId)
  const anyCall = nth(values(state.calls), pick)
  const fitting = me?.engagements.filter((e) => fits(state, e, kind)).map((e) => e.callId) ?? []
  const own = nth(
    fitting.length > 0 ? fitting : [...(me?.engagements.map((e) => e.callId) ?? []), ...[...(me?.wrapUps ?? []), ...(me?.owed ?? [])].map((w) => w.callId)],
    pick,
  )
  // Mostly somebody who could press this, at a call of their own; sometimes not.
  const callId: CallId = (pick % 9 === 0 ? anyCall?.id : own) ?? anyCall?.id ?? toCallId('call_test_1')
  const call = get(state.calls, callId)
  const deviceId = nth(call?.connections ?? [], party)?.deviceId ?? toDeviceId('dev_nobody')
  const outside = nth(
    values(state.calls).flatMap((c) => c.connections.flatMap((x) => (x.party.kind === 'outside' ? [{ callId: c.id, deviceId: x.deviceId }] : []))),
    pick,
  )
  const far = outside ?? { callId, deviceId }
  // The far end the network has yet to say something about: dialled and not ringing, or ringing.
  const awaited = nth(
    values(state.calls).flatMap((c) => {
      const dialled = c.connections.flatMap((x) => (x.party.kind === 'outside' && (x.state === 'initiated' || x.state === 'alerting') ? [x.deviceId] : []))
      return (c.direction === 'outbound' || c.direction === 'campaign') && c.outsideCount === 0
        ? [{ callId: c.id }]
        : dialled.map((d) => ({ callId: c.id, deviceId: d }))
    }),
    pick,
  )
  const on = { agentId, callId }
  const callback = nth(
    values(state.callbacks).filter((c) => pick % 9 === 0 || (c.dialled === null && (c.ownerId === null || c.ownerId === agentId))),
    pick,
  )
  const target = targetOf(party, flag)
  const conferenceFor = () =>
    nth(
      values(state.conferences).filter((c) => c.hostAgentId === agentId),
      pick,
    )
  const messageFor = () =>
    nth(
      values(state.messages).filter((m) => pick % 9 === 0 || (mayOpenBox(state, agentId, m.box) && (m.deletedAtMs !== null) === (kind === 'restoreMessage'))),
      pick,
    )?.id ?? toMessageId('message_none')
  switch (kind) {
    case 'startShift':
      return {
        kind,
        agentId,
        queueIds: flag ? [SECOND_QUEUE] : queuesOf(agentId),
        campaignId: party % 3 === 0 ? (nth(CAMPAIGNS, pick) ?? null) : null,
        seat: pick % 5 === 0 ? 'standIn' : 'desk',
      }
    case 'moveSeat':
      return { kind, agentId }
    case 'callEmergency':
      // Seldom by who is off shift: a shift without queues is of no use to what else is drawn.
      return {
        kind,
        agentId: state.agents.get(agentId)?.shift == null && pick % 5 > 0 ? (MANY[0] as AgentId) : agentId,
        typed: nth(['999', '112', '01632 960112'], party) ?? '999',
      }
    case 'chooseSoundPath':
      return { kind, agentId, path: nth(['computer', 'handset', 'ownPhone', 'none'] as const, party) ?? 'computer' }
    case 'reportSoundLost':
      return { kind, agentId, why: 'Unplugged.' }
    case 'setNote':
      return { kind, agentId, text: party % 5 === 0 ? ' ' : 'Back soon', untilMs: flag ? null : state.atMs + party * 500, coverId: nth(MANY, party) ?? null }
    case 'clearNote':
      return { kind, agentId }
    case 'setDoNotDisturb':
      return { kind, agentId, on: party % 7 === 0 }
    case 'setDiversion':
      return {
        kind,
        agentId,
        to: party % 5 !== 0 ? null : flag ? { kind: 'voicemail' } : pick % 2 === 0 ? { kind: 'agent', agentId: nth(MANY, pick) as AgentId } : A_NUMBER,
      }
    case 'forgetPerson':
      return {
        kind,
        agentId: MANY[1] as AgentId,
        about: [nth(values(state.callbacks), pick)?.id, nth(values(state.tasks), party)?.taskId, nth(values(state.messages), pick)?.id, callId].filter(
          (id) => id !== undefined,
        ),
        listed: values(state.doNotCall)
          .slice(0, party % 2)
          .map((e) => e.whom),
      }
    case 'switchStorm':
      return { kind, agentId, queueId: flag ? FIRST : SECOND_QUEUE, on: party % 2 === 0 }
    case 'changeSetUp':
      return { kind, agentId, setUp: changed(state.setUp, party), basedOn: party % 11 === 0 ? 0 : state.setUpSeq }
    case 'identifyCaller':
      return { kind, ...on, customerId: null, customer: flag ? null : { name: 'Somebody', group: 'Pass', facts: [] } }
    case 'keepPlace':
      return { kind, callId: nth(Object.values(state.waiting).flat(), pick) ?? callId }
    case 'goReady':
    case 'endShift':
      return { kind, agentId }
    case 'goNotReady':
      return { kind, agentId, reason: 'Break' }
    case 'setMute':
      return { kind, agentId, muted: flag }
    case 'makeCall':
      return {
        kind,
        agentId,
        typed: `01632 9601${String(party % OUTSIDE_PARTIES).padStart(2, '0')}`,
        customer: flag ? { name: 'Passholder', group: 'Pass', facts: [] } : null,
        ...(party % 2 === 0 && callback !== undefined ? { callbackId: callback.id } : {}),
        ...(pick % 3 === 0 ? { waiver: { agentId: MANY[party % AGENT_COUNT] as AgentId, why: 'They asked.' } } : {}),
      }
    case 'callColleague':
      return { kind, agentId, toAgentId: nth(MANY, party) as AgentId, at: pick % 5 === 0 ? 'voicemail' : 'desk' }
    case 'callTogether':
      return { kind, agentId, targets: [targetOf(party, flag), targetOf(party + 1, flag), targetOf(party + 2, !flag)] }
    case 'writeToColleagues':
      return {
        kind,
        agentId,
        text: pick % 9 === 1 ? '' : 'Boat is late',
        to:
          party % 3 === 0
            ? { kind: 'queue', queueId: flag ? FIRST : SECOND_QUEUE }
            : party % 3 === 1
              ? { kind: 'team', team: '' }
              : { kind: 'agent', agentId: nth(MANY, party) as AgentId },
      }
    case 'readCircle': {
      // Mostly by somebody for whom there is something in it.
      const circle = nth(values(state.circles), pick)
      const reader = nth(circle?.lines.at(-1)?.to ?? [], party) ?? agentId
      return { kind, agentId: reader, circle: circle?.of ?? { kind: 'team', team: 'none' }, throughNo: circle?.lineCount ?? 1 }
    }
    case 'askFirst':
      return { kind, agentId, toAgentId: nth(MANY, party) as AgentId, text: flag ? 'A minute?' : ' ' }
    case 'answerQuestion': {
      const asked = nth(
        [...values(state.questions)].filter((q) => q.toAgentId === agentId),
        pick,
      )
      return { kind, agentId, byAgentId: asked?.byAgentId ?? (nth(MANY, party) as AgentId), answer: nth(ANSWERS, party) ?? 'no' }
    }
    case 'closeQuestion':
      return {
        kind,
        agentId,
        toAgentId:
          nth(
            [...values(state.questions)].filter((q) => q.byAgentId === agentId),
            pick,
          )?.toAgentId ?? (nth(MANY, party) as AgentId),
      }
    case 'callWhenFree':
      return { kind, agentId, toAgentId: nth(MANY, party) as AgentId }
    case 'dropCallWhenFree':
      return {
        kind,
        agentId,
        toAgentId:
          nth(
            [...values(state.whenFree)].filter((w) => w.byAgentId === agentId),
            pick,
          )?.toAgentId ?? (nth(MANY, party) as AgentId),
      }
    case 'takeRole':
    case 'takeOver': {
      // Mostly an agent who talks, on the call they talk on; now and then on another one.
      const talks = nth(
        values(state.agents).filter((a) => a.id !== agentId && a.engagements.some((e) => !e.listens && e.state === 'connected')),
        party,
      )
      const theirs = { callId: talks?.engagements.find((e) => !e.listens && e.state === 'connected')?.callId ?? callId }
      const beside = talks?.id ?? (nth(MANY, party) as AgentId)
      return kind === 'takeOver'
        ? { kind, agentId, ...theirs, fromAgentId: beside }
        : { kind, agentId, ...theirs, besideId: beside, role: nth(ROLES, pick) ?? 'listens' }
    }
    case 'assignWork':
      return {
        kind,
        agentId,
        agentIds: onShiftNear(state, pick),
        add: flag ? [FIRST] : [SECOND_QUEUE],
        drop: party % 3 === 0 ? [flag ? SECOND_QUEUE : FIRST] : [],
        ...(party % 4 === 0 ? { campaignId: party % 8 === 0 ? null : (nth(CAMPAIGNS, pick) ?? null) } : {}),
        ...(party % 5 === 0 ? { levels: state.setUp.skills.map((s) => ({ skillId: s.id, level: 1 + (pick % 5) })) } : {}),
      }
    case 'setReadiness':
      return { kind, agentId, agentIds: onShiftNear(state, pick), ready: flag, reason: 'Break' }
    case 'endShiftOf':
      return { kind, agentId, toAgentId: nth(MANY, party) as AgentId }
    case 'sendWord':
      return { kind, agentId, agentIds: onShiftNear(state, pick), text: flag ? 'Storm at noon.' : ' ' }
    case 'putAwayTold':
      return { kind, agentId, no: me?.told[0]?.no ?? 0 }
    case 'moveWaiting': {
      const waits = nth(Object.values(state.waiting).flat(), pick) ?? callId
      const to = nth(
        [
          { kind: 'head' },
          { kind: 'queue', queueId: flag ? FIRST : SECOND_QUEUE },
          {
            kind: 'agent',
            agentId:
              nth(
                values(state.agents).filter((a) => a.state.name === 'ready' || party % 3 === 0),
                party,
              )?.id ?? agentId,
          },
          { kind: 'callback' },
        ] as const,
        party,
      )
      return { kind, agentId, callId: waits, to: to ?? { kind: 'head' } }
    }
    case 'setDoor':
      return { kind, agentId, queueId: flag ? FIRST : SECOND_QUEUE, door: nth(['open', 'closed', null] as const, party) ?? null }
    case 'makeReview':
      return {
        kind,
        agentId,
        callId,
        ofAgentId: nth(MANY, party) as AgentId,
        sheetId: pick % 11 === 0 ? 'sheet_none' : 'sheet_small',
        answers: { greeting: 1 + (party % 5), ...(pick % 13 === 0 ? {} : { name: party % 2 }) },
        remarks: flag ? [{ atMs: party * 100, text: 'Well said.' }] : [],
        note: '',
      }
    case 'withdrawReview':
    case 'answerReview': {
      const mine = nth(
        values(state.reviews).filter((r) => (kind === 'answerReview' ? r.agentId : r.byAgentId) === agentId),
        pick,
      )
      const on = { callId: mine?.callId ?? callId }
      return kind === 'withdrawReview'
        ? { kind, agentId, ...on, ofAgentId: mine?.agentId ?? (nth(MANY, party) as AgentId) }
        : { kind, agentId, ...on, madeById: mine?.byAgentId ?? (nth(MANY, party) as AgentId), agrees: flag, text: party % 4 === 0 ? '' : 'As I see it.' }
    }
    case 'takeHelp':
      return {
        kind,
        agentId,
        toAgentId:
          nth(
            values(state.agents).filter((a) => a.help !== null),
            party,
          )?.id ?? (nth(MANY, party) as AgentId),
      }
    case 'dropHelp':
      return { kind, agentId }
    case 'planConference':
      return { kind, agentId, plan: planOf(state.atMs, party) }
    case 'replanConference': {
      const found = conferenceFor()
      const of = { conferenceId: found?.id ?? toConferenceId('conference_none'), sequence: (found?.sequence ?? 0) + (party % 5 === 0 ? 1 : 0) }
      return { kind, agentId, ...of, plan: planOf(state.atMs, party + 1) }
    }
    case 'cancelConference':
      return { kind, agentId, conferenceId: (party % 2 === 0 ? conferenceFor()?.id : undefined) ?? toConferenceId('conference_none') }
    case 'joinConference':
      return { kind, agentId, conferenceId: nth(values(state.conferences), pick)?.id ?? toConferenceId('conference_none') }
    case 'muteOthers':
      return { kind, ...on, deviceId }
    case 'conferenceLineRings':
      return { kind, number: `+4416329601${String(party % OUTSIDE_PARTIES).padStart(2, '0')}`, customer: null }
    case 'callerKeys': {
      const line = values(state.calls).find((c) => c.connections.some((x) => x.party.kind === 'conferenceLine'))
      return { kind, callId: line?.id ?? callId, digits: (flag ? nth(values(state.conferences), pick)?.code : undefined) ?? '000000' }
    }
    case 'mailboxRings':
      return {
        kind,
        box: boxOfPick(party, flag),
        number: pick % 7 === 0 ? null : `+4416329601${String(party % OUTSIDE_PARTIES).padStart(2, '0')}`,
        customer: null,
      }
    case 'leaveMessage':
      return { kind, callId: nth(Object.values(state.waiting).flat(), pick) ?? callId }
    case 'setGreeting':
      return {
        kind,
        agentId,
        box: flag ? { kind: 'agent', agentId } : boxOfPick(party, flag),
        greeting: party % 3 === 0 ? null : { text: 'Well?', recording: null },
      }
    case 'markMessage':
      return { kind, agentId, messageId: messageFor(), heard: get(state.messages, messageFor())?.heard !== true }
    case 'forwardMessage':
      return { kind, agentId, messageId: messageFor(), to: boxOfPick(party, flag), note: 'For you.' }
    case 'deleteMessage':
    case 'restoreMessage':
      return { kind, agentId, messageId: messageFor() }
    case 'moveCallback':
      return {
        kind,
        agentId,
        callbackId: callback?.id ?? toCallbackId('callback_none'),
        dueAtMs: state.atMs + (party + 1) * 2_000 * (party % 5 === 0 ? -1 : 1),
        timeZone: 'UTC',
        why: '',
      }
    case 'handOverCallback':
      return { kind, agentId, callbackId: callback?.id ?? toCallbackId('callback_none'), ownerId: nth(MANY, party) ?? null }
    case 'dropCallback':
      return { kind, agentId, callbackId: callback?.id ?? toCallbackId('callback_none'), why: party % 4 === 0 ? '' : 'Not wanted.' }
    case 'closeTask':
      return { kind, agentId, taskId: nth(values(state.tasks), pick)?.taskId ?? toTaskId('task_none') }
    case 'addDoNotCall':
      return { kind, agentId, entries: [{ whom: flag ? { person: 'Passholder' } : { number: '+441632960101' }, why: 'Asked us.' }] }
    case 'removeDoNotCall':
      return { kind, agentId, whom: nth(values(state.doNotCall), pick)?.whom ?? { number: '+441632960101' }, why: 'A mistake.' }
    case 'correctOutcome': {
      const coded = nth(values(state.coded), pick)
      const of = { queueId: FIRST, direction: 'inbound', was: null, why: 'Misread.' }
      return { kind, agentId, callId: coded?.callId ?? callId, code: party % 2 === 0 ? 'done' : 'later', ...of }
    }
    case 'takeBackOutcome':
      return { kind, agentId, callId: get(state.lately, agentId)?.work.id ?? callId }
    case 'extendWrapUp':
      return { kind, ...on, why: 'Much to write.' }
    case 'makeAttempt':
      return { kind, campaignId: nth(CAMPAIGNS, pick) as CampaignId, record: aRecord(party) }
    case 'offerRecord':
      return { kind, campaignId: me?.shift?.campaignId ?? (nth(CAMPAIGNS, pick) as CampaignId), agentId, record: aRecord(party) }
    case 'offerPromise': {
      const promised = nth(
        values(state.callbacks).filter((c) => c.ofCampaign !== null),
        pick,
      )
      return { kind, callbackId: promised?.id ?? toCallbackId('callback_none') }
    }
    case 'reportAttempt': {
      const attempt = nth(
        values(state.attempts).filter((a) => a.callId === null || pick % 9 === 0),
        pick,
      )
      const of = { kind, attemptId: attempt?.id ?? toAttemptId('attempt_none') } as const
      return { ...of, report: reportFor(attempt?.state ?? 'dialling', party) }
    }
    case 'callRecord':
      return { kind, agentId }
    case 'skipRecord':
      return { kind, agentId, why: party % 4 === 0 ? ' ' : 'Known to be away.' }
    case 'startCampaign':
    case 'pauseCampaign':
    case 'finishCampaign':
      return { kind, agentId, campaignId: nth(CAMPAIGNS, party) as CampaignId }
    case 'putBackRecords':
      return {
        kind,
        agentId,
        campaignId: nth(CAMPAIGNS, party) as CampaignId,
        which: { lastResult: 'busy', label: null, triesAtLeast: null, restedHours: null },
      }
    case 'listDone':
      // Rarely: nothing comes after it but a supervisor who starts it again.
      return flag && party % 5 === 0 ? { kind, campaignId: nth(CAMPAIGNS, party) as CampaignId } : { kind: 'passTime' }
    case 'callArrives':
      return {
        kind,
        queueId: flag ? FIRST : SECOND_QUEUE,
        number: `+4416329601${String(party % OUTSIDE_PARTIES).padStart(2, '0')}`,
        customer: pick % 4 === 0 ? { name: 'Passholder', group: 'Pass', facts: [] } : null,
        path: null,
        ...(pick % 5 === 1 ? { rungBack: { campaignId: nth(CAMPAIGNS, party) as CampaignId, record: aRecord(party) } } : {}),
      }
    case 'farEnd':
      return {
        kind,
        ...(awaited ?? far),
        report: nth(['ringing', 'ringing', 'answered', 'answered', 'answered', 'busy', 'noAnswer', 'machine'] as const, party) ?? 'busy',
      }
    case 'callerHangsUp':
      return { kind, ...far }
    case 'callerSays':
      return { kind, ...far, turn: 0, text: 'Well.' }
    case 'lineMeasured':
      return { kind, ...far, line: { delayMs: 300, lossRatio: 0.03, burstRatio: 1 } }
    case 'digitsHeard':
      return { kind, ...far, digits: '1' }
    case 'passTime':
      return { kind }
    case 'sendDigits':
      return { kind, ...on, digits: flag ? '12#' : 'x' }
    case 'moveCall':
      return { kind, ...on, endpoint: flag ? 'handset' : 'computer' }
    case 'record':
      return { kind, ...on, to: nth(['on', 'paused', 'off'] as const, party) ?? 'on' }
    case 'divert':
    case 'consult':
    case 'transfer':
    case 'addParty':
      return { kind, ...on, target }
    case 'muteParty':
      return { kind, ...on, deviceId, muted: flag }
    case 'removeParty':
      return { kind, ...on, deviceId }
    case 'startAside':
      return { kind, ...on, deviceId, othersHear: flag ? 'music' : 'eachOther' }
    case 'pickUp':
      return { kind, agentId, callId: anyCall?.id ?? callId }
    case 'saveOutcome':
      return {
        kind,
        ...on,
        code: nth(['done', 'later', 'later', null, 'follows-0', 'follows-1', 'follows-2', 'follows-3', 'follows-4', 'follows-5'], party) ?? null,
        notes: 'n',
        followUp: '',
        andThen: { state: 'ready' },
        callback: { dueAtMs: state.atMs + 5_000, timeZone: 'UTC', typed: '', owner: flag ? 'mine' : 'anyone' },
      }
    case 'answerScript':
      return { kind, ...on, field: 'speaking', value: true }
    case 'turnPage':
      return { kind, ...on, direction: flag ? 'next' : 'back' }
    case 'rateSound':
      return { kind, ...on, cause: flag ? 'gaps' : null }
    case 'draftNotes':
      return { kind, ...on, text: 'half', followUp: '' }
    default:
      return { kind, ...on } as AgentCommand
  }
}

/** What a network might say of an attempt in this state, and now and then what it could not. */
function reportFor(state: Attempt['state'], n: number): AttemptReport['report'] {
  const [, , ...later] = ['rings', 'answered', 'hungUp', 'machine', 'refused'] as const
  if (n % 11 === 0) return { is: nth(later, n) ?? 'hungUp' }
  switch (state) {
    case 'dialling':
      return { is: nth(['rings', 'rings', 'answered', 'busy', 'invalid'] as const, n) ?? 'rings' }
    case 'ringing':
      return { is: nth(['answered', 'answered', 'refused'] as const, n) ?? 'answered' }
    case 'detecting':
      return n % 4 === 0 ? { is: 'machine' } : { is: 'live', sinceGreetingMs: 300 }
    case 'waiting':
    case 'told':
      return { is: 'hungUp' }
  }
}

const boxOfPick = (n: number, flag: boolean): Box =>
  flag ? { kind: 'queue', queueId: n % 5 === 0 ? FIRST : SECOND_QUEUE } : { kind: 'agent', agentId: MANY[n % AGENT_COUNT] as AgentId }

/** Another ring limit, and now and then a queue retired or brought back. */
const changed = (setUp: SetUp, n: number): SetUp => ({
  ...setUp,
  ringLimitMs: 15_000 + (n % 5) * 2_000,
  queues: setUp.queues.map((q) => (q.id === FIRST ? { ...q, retired: n % 29 === 0 } : q)),
})

function targetOf(n: number, flag: boolean): Target {
  if (n % 6 === 0) return { kind: 'queue', queueId: flag ? FIRST : SECOND_QUEUE }
  if (n % 6 === 1) return { kind: 'number', typed: `01632 9601${String(n % OUTSIDE_PARTIES).padStart(2, '0')}`, name: null }
  if (n % 17 === 3) return { kind: 'queueVoicemail', queueId: SECOND_QUEUE }
  if (n % 17 === 2) return { kind: 'voicemail', agentId: MANY[n % AGENT_COUNT] as AgentId }
  return { kind: 'agent', agentId: MANY[n % AGENT_COUNT] as AgentId }
}

/** Everybody with a place on a call, as comparable text: what a transfer must conserve. */
export const partiesOn = (floor: TestFloor, callId: CallId): string[] => {
  const call = get(floor.state().calls, callId)
  return call === undefined ? [] : [...agentsOn(call), ...call.connections.flatMap((c) => (c.party.kind === 'outside' ? [c.deviceId] : []))].map(String).sort()
}

/** About now, with some of the colleagues and a queue. */
const planOf = (atMs: number, party: number): Plan => ({
  title: `Conference ${party}`,
  startsAtMs: atMs + (party % 3) * 60_000,
  lastsMs: 600_000,
  timeZone: 'UTC',
  note: '',
  invited: [
    { kind: 'agent', agentId: nth(MANY, party) as AgentId },
    { kind: 'queue', queueId: FIRST },
  ],
})

/** One agent on shift or two. */
function onShiftNear(state: FloorState, pick: number): AgentId[] {
  const ids = values(state.agents).flatMap((a) => (a.shift === null ? [] : [a.id]))
  const at = ids.length === 0 ? 0 : pick % ids.length
  return ids.slice(at, at + 1 + (pick % 2))
}
