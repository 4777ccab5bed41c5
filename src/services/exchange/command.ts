// A command of whoever sits at a tab: whose it is, what it needs beside the floor, and when it is answered.
import type { AgentCommand, Ask } from '@/core/floor'
import { refusalFor } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { get } from '@/core/table'
import { type Answer, type Floor, viewerOf } from './answering'
import { NO_WITNESS, NOT_UNDERSTOOD, refusalOf, SEAT_ELSEWHERE, UNREACHABLE, wordsOf } from './desk-refusals'
import { withKnown } from './known'
import type { RefusalView, TabMessage } from './protocol'
import type { Tab } from './tab'

/** Whose desk it is, which device carries it and what a centre has are more than what happened on the floor: every tab is looked at anew. */
const BEYOND_FLOOR: readonly Ask['kind'][] = ['startShift', 'moveSeat', 'endShift', 'callEmergency', 'changeSetUp', 'chooseSoundPath', 'moveCall']
/** Commands whose reply waits for the disk: what they say must not be taken back by a power cut. */
const KEPT_FIRST: readonly Ask['kind'][] = [
  ...(['saveOutcome', 'takeBackOutcome', 'answerScript', 'draftNotes', 'correctOutcome', 'makeCall', 'callEmergency'] as const),
  ...(['writeLine', 'openThread', 'endThread', 'handThreadOn', 'writeToColleagues'] as const),
  ...(['moveCallback', 'handOverCallback', 'dropCallback', 'closeTask', 'addDoNotCall', 'removeDoNotCall', 'changeSetUp', 'switchStorm'] as const),
]

/** Commands of whoever is at work: only at the tab where their shift is. */
export const WITHOUT_SEAT: readonly Ask['kind'][] = [
  'startShift',
  'moveSeat',
  'callEmergency',
  'switchStorm',
  'changeSetUp',
  'addDoNotCall',
  'removeDoNotCall',
  'correctOutcome',
  'startCampaign',
  'pauseCampaign',
  'finishCampaign',
  'putBackRecords',
  'setGreeting',
  'markMessage',
  'forwardMessage',
  'deleteMessage',
  'restoreMessage',
  'planConference',
  'replanConference',
  'cancelConference',
  'takeHelp',
  'assignWork',
  'setReadiness',
  'endShiftOf',
  'sendWord',
  'putAwayTold',
  'moveWaiting',
  'moveThread',
  'setDoor',
  'makeReview',
  'withdrawReview',
  'answerReview',
  'writeToColleagues',
  'readCircle',
]

/** Pressed twice so soon, it was one press: the second would take back what the first did. */
const ONE_PRESS_MS = 300
const PRESSES: Partial<Record<Ask['kind'], string>> = { hold: 'hold', retrieve: 'hold', setMute: 'mute', record: 'record' }

/** Whether it is the second half of a press that was counted twice. */
function isSamePress(floor: Floor, tab: Tab, asked: Ask): boolean {
  const what = PRESSES[asked.kind]
  if (what === undefined) return false
  const press = `${what} ${'callId' in asked ? asked.callId : ''}`
  const before = tab.pressed
  if (before !== null && before.press === press && floor.now() - before.atMs < ONE_PRESS_MS) return true
  tab.pressed = { press, atMs: floor.now() }
  return false
}

export async function command(floor: Floor, tab: Tab, accountId: AgentId, message: Extract<TabMessage, { kind: 'command' }>): Promise<Answer> {
  const no = (refusal: RefusalView): Answer => ({ ok: false, refusal })
  const asked = message.command
  if (tab.agentId === null && !WITHOUT_SEAT.includes(asked.kind))
    return no(get(floor.state().agents, accountId)?.shift == null ? refusalOf({ reason: 'notOnShift' }) : SEAT_ELSEWHERE)
  if (asked.kind === 'startShift' && asked.seat !== 'desk') return no(NOT_UNDERSTOOD)
  if (isSamePress(floor, tab, asked)) return { ok: true, kept: floor.isKept(), text: null }
  const inBook = (number: string) => {
    const person = floor.people.whose(viewerOf(floor, accountId), [number])[number]
    return person && { name: person.name, group: person.group }
  }
  let given = withKnown({ ...asked, agentId: accountId } as AgentCommand, floor.state(), floor.records, inBook)
  if (given.kind === 'makeCall' && given.waiver !== undefined) {
    // Whoever lets the call be made shows who they are at this desk.
    const { witness } = message
    const verified = witness === undefined ? null : await floor.accounts.verify(witness.agentId, witness.pin)
    if (witness === undefined || verified === null) return no(NO_WITNESS)
    if (!verified.ok) return no(wordsOf(verified))
    given = { ...given, waiver: { ...given.waiver, agentId: witness.agentId } }
  }
  if (given.kind === 'moveCall' && given.endpoint !== 'computer') {
    // Another device has to be there; a handset rings first and has the call when it is lifted. What the call itself refuses is refused before.
    const refused = refusalFor(floor.state(), given, { atMs: floor.now() })
    if (refused !== null) return no(refusalOf(refused))
    if (given.endpoint === 'ownPhone' ? !floor.devices.hasPhone(accountId) : !floor.devices.ringHandset(accountId, given.callId))
      return no(UNREACHABLE[given.endpoint])
    if (given.endpoint === 'handset') {
      floor.turn()
      return { ok: true, kept: true, text: null }
    }
  }
  const noted = floor.acts.watch(given)
  const refusal = floor.give(given)
  if (refusal !== null) return no(refusalOf(refusal))
  const act = noted()
  // What was sent is no draft any more; what has been typed since then comes as a new one.
  if (given.kind === 'writeLine') floor.drafts.forget(given.threadId, accountId)
  if (given.kind === 'startShift' || given.kind === 'moveSeat' || given.kind === 'callEmergency') floor.sessions.takeSeat(tab)
  if (given.kind === 'endShift') floor.sessions.leaveSeat(tab)
  floor.turn(BEYOND_FLOOR.includes(given.kind))
  const kept = KEPT_FIRST.includes(given.kind) ? await floor.writer.flushed() : floor.isKept()
  return { ok: true, kept: kept && floor.isKept(), text: act }
}
