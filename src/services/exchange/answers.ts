// What each message of a tab does, and who may send it. Rights are asked here, in the worker: what a screen hides is no protection.
import { readDialled, readNumber, writeNumber } from '@/core/directory'
import { type AgentCommand, consequences, preview, toRefusalText } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { openAccount } from '@/core/rules/rights'
import { get } from '@/core/table'
import { boxOwner } from '@/core/voicemail'
import { type Answer, type Floor, viewerOf } from './answering'
import { searchCircles } from './circles'
import { command, WITHOUT_SEAT } from './command'
import { selectConferences } from './conferences'
import {
  BACKUP_FAILED,
  BACKUP_NEEDS_LEAVE,
  cannotRing,
  NO_DEVICE,
  NOBODY_CALLS,
  NOT_SIGNED_IN,
  NOT_YOUR_PIECE,
  ownWordsOf,
  PINS_READABLE,
  SEAT_ELSEWHERE,
  STILL_ON_SHIFT,
  STORAGE_REFUSES,
  TOO_LATE_TO_UNDO,
  TOO_MANY_KEPT,
  UNREACHABLE,
  wordsOf,
} from './desk-refusals'
import { selectDoNotCall } from './do-not-call-page'
import { mayDraft } from './drafts'
import { selectMessages } from './messages'
import { onDevice } from './on-device'
import { answerPeople, isPeopleMessage } from './people'
import type { NumbersSaid, RefusalView, RenewedPins, SetUpInUse, TabMessage } from './protocol'
import { reviewsFor } from './reviews'
import { lacking, mayNot } from './rights'
import type { Tab } from './tab'
import { linesBefore } from './threads'
import { seenBy } from './unheard'

export async function answerTo(floor: Floor, tab: Tab, message: TabMessage): Promise<Answer> {
  const done = (text: string | null = null): Answer => ({ ok: true, kept: floor.isKept(), text })
  const no = (refusal: RefusalView): Answer => ({ ok: false, refusal })
  const refused = mayNot(floor.state(), tab, message)
  if (refused !== null) return no(refused)
  switch (message.kind) {
    case 'ping':
      return done()
    case 'numbers': {
      const read = message.read.map(({ typed, homeCountry, short }) => (short ? readDialled : readNumber)(typed, homeCountry))
      return done(JSON.stringify({ written: message.write.map(writeNumber), read } satisfies NumbersSaid))
    }
    case 'hello': {
      const { device } = message
      if (message.key !== null) await floor.sessions.comeBack(tab, message.key)
      const known = device !== null && openAccount(floor.state().setUp, device.agentId) !== undefined
      // A handset stands on its agent's desk: it is theirs by the key, and a phone by the code it will be asked for.
      if (known && (device.is === 'ownPhone' || tab.accountId === device.agentId)) {
        tab.device = device
        // A device is no desk: it must not take the shift's seat.
        tab.agentId = null
        if (device.is === 'handset') floor.devices.handsetOpened(device.agentId)
      }
      if (message.builtAtMs > floor.builtAtMs) void floor.ending.newerPage()
      floor.beginWorld(message.world, message.past)
      floor.turn()
      return device === null || tab.device !== null ? done() : no(NO_DEVICE)
    }
    case 'signIn': {
      const account = openAccount(floor.state().setUp, message.agentId)
      if (account === undefined) return no({ reason: 'noSuchAccount', ...toRefusalText({ reason: 'noSuchAccount' }) })
      const verified = await floor.accounts.verify(account.id, message.pin)
      if (verified.ok) floor.noted('signedIn', account.id)
      // Whoever must wait is told nothing new, and could fill the record with it.
      else if (verified.refusal.reason === 'wrongPin') floor.noted('signInRefused', account.id)
      if (!verified.ok) return no(wordsOf(verified))
      const key = await floor.sessions.signIn(tab, account.id)
      floor.turn()
      return done(key)
    }
    case 'signOut': {
      const shift = tab.accountId === null ? null : get(floor.state().agents, tab.accountId)?.shift
      if (shift?.seat === 'desk' && tab.agentId !== null) return no(STILL_ON_SHIFT)
      await floor.sessions.signOut(tab)
      floor.turn()
      return done()
    }
    case 'renewPins': {
      const owners = floor.state().setUp.agents.filter((a) => !a.retired && a.may.includes('setUp'))
      const given = await floor.accounts.renew(owners.map((a) => a.id))
      if (given === null) return no(PINS_READABLE)
      floor.pinsRenewed(owners.map((a) => a.id))
      floor.noted('pinsRenewed', null, owners.map((a) => a.id).join(' '))
      return done(JSON.stringify(owners.map(({ id, name }) => ({ name, pin: given.get(id) ?? '' })) satisfies RenewedPins))
    }
    case 'phoneDials':
    case 'phoneKeys':
    case 'phoneHangsUp':
    case 'handset': {
      const said = onDevice(floor, tab, message)
      floor.turn()
      return done(said)
    }
    default:
      return tab.accountId === null ? no(NOT_SIGNED_IN) : answerSignedIn(floor, tab, tab.accountId, message)
  }
}

type SignedIn = Exclude<
  TabMessage,
  { kind: 'ping' | 'numbers' | 'hello' | 'signIn' | 'signOut' | 'renewPins' | 'phoneDials' | 'phoneKeys' | 'phoneHangsUp' | 'handset' }
>

async function answerSignedIn(floor: Floor, tab: Tab, accountId: AgentId, message: SignedIn): Promise<Answer> {
  const done = (text: string | null = null): Answer => ({ ok: true, kept: floor.isKept(), text })
  const no = (refusal: RefusalView): Answer => ({ ok: false, refusal })
  const world = floor.world()
  if (isPeopleMessage(message)) {
    const answer = await answerPeople(floor.people, viewerOf(floor, accountId), message)
    if (answer.ok && message.kind !== 'people') floor.broadcast()
    return answer
  }
  switch (message.kind) {
    case 'touch':
      floor.sessions.touched(tab)
      return done()
    case 'lock':
      await floor.sessions.lock(tab, true)
      floor.broadcast()
      return done()
    case 'unlock': {
      const notTheirs = await ownPinRefused(floor, accountId, message.pin, 'at a locked page')
      if (notTheirs !== null) return no(notTheirs)
      await floor.sessions.lock(tab, false)
      floor.broadcast()
      return done()
    }
    case 'command':
      return command(floor, tab, accountId, message)
    case 'preview': {
      if (tab.agentId === null && !WITHOUT_SEAT.includes(message.command.kind)) return no(SEAT_ELSEWHERE)
      const previewed = preview(floor.state(), { ...message.command, agentId: accountId } as AgentCommand, { atMs: floor.now() })
      const calls = previewed.ok ? previewed.calls.map((view) => seenBy(floor.state(), view, accountId)) : []
      return done(JSON.stringify(previewed.ok ? { ...previewed, calls } : previewed))
    }
    case 'takeBackAct': {
      const taken = floor.acts.takeBack(message.act, accountId)
      if (taken === null) return no(TOO_LATE_TO_UNDO)
      floor.turn()
      return done(JSON.stringify(taken))
    }
    case 'reviews':
      return done(JSON.stringify(reviewsFor(floor.state(), accountId, message.callId)))
    case 'dismissNotice':
      floor.dismiss(message.noticeId)
      floor.broadcast()
      return done()
    case 'foresee':
      return done(JSON.stringify(consequences(floor.state(), { ...message.command, agentId: accountId } as AgentCommand, { atMs: floor.now() })))
    case 'setPin': {
      const refused = message.agentId === accountId ? null : lacking(floor.state(), accountId, 'setUp')
      if (refused !== null) return no(refused)
      if (!floor.state().setUp.agents.some((a) => a.id === message.agentId))
        return no({ reason: 'noSuchAccount', ...toRefusalText({ reason: 'noSuchAccount' }) })
      const notTheirs = await ownPinRefused(floor, accountId, message.shown, 'at a new PIN')
      if (notTheirs !== null) return no(notTheirs)
      const set = await floor.accounts.setPin(message.agentId, message.pin)
      if (!set.ok) return no(wordsOf(set))
      floor.noted('pinSet', accountId, message.agentId)
      // Keys of the account are void; this tab goes on with a new one.
      if (message.agentId !== accountId) return done()
      return done(await floor.sessions.signIn(tab, accountId))
    }
    case 'lineSound':
      world?.hear(message.callId, accountId, message.samples, floor.state(), floor.now())
      floor.turn()
      return done()
    case 'setPace':
      floor.setPace(message.pace)
      floor.turn()
      return done()
    case 'ringMe': {
      const refused = cannotRing(floor.state(), tab)
      if (refused !== null) return no(refused)
      world?.ring(message, tab.agentId, floor.now())
      floor.turn()
      return done()
    }
    case 'colleagueCalls': {
      if (tab.agentId === null) return no(cannotRing(floor.state(), tab) ?? NOBODY_CALLS)
      if (world?.colleagueCalls(tab.agentId, floor.state(), floor.now()) == null) return no(NOBODY_CALLS)
      floor.turn()
      return done()
    }
    case 'leaveMessage':
      if (boxOwner(floor.state().setUp, message.box) === null) return no({ reason: 'noSuchMailbox', ...toRefusalText({ reason: 'noSuchMailbox' }) })
      world?.leaveMessage(message.box, floor.now())
      floor.turn()
      return done()
    case 'messages':
      return done(JSON.stringify(selectMessages(floor.state(), accountId)))
    case 'conferences':
      return done(JSON.stringify(selectConferences(floor.state(), accountId, floor.now())))
    case 'writer': {
      const queue = floor.state().setUp.queues.find((q) => q.id === message.queueId)
      if (queue?.writes.some((w) => w.channel === message.channel) !== true) {
        const refusal = { reason: 'channelNotTaken' as const, queue: queue?.name ?? 'That queue', channel: message.channel }
        return no({ reason: refusal.reason, ...toRefusalText(refusal) })
      }
      world?.write(message, message.toMe ? tab.agentId : null, floor.now())
      floor.turn()
      return done()
    }
    case 'searchCircles':
      return done(JSON.stringify(searchCircles(floor.state(), accountId, message.search)))
    case 'threadLines':
      return done(JSON.stringify(linesBefore(floor.state(), accountId, message.threadId, message.beforeNo)))
    case 'drafts':
      return done(JSON.stringify(floor.drafts.seenBy(floor.state(), message.threadId, accountId)))
    case 'keepDraft': {
      const { threadId, text, aside } = message
      if (!mayDraft(floor.state(), floor.drafts, threadId, accountId)) return no(NOT_YOUR_PIECE)
      await floor.drafts.keep(threadId, { agentId: accountId, text, aside, atMs: floor.now() })
      return done()
    }
    case 'dropDraft': {
      const { threadId, ofAgentId } = message
      const isSeen = floor.drafts.seenBy(floor.state(), threadId, accountId).some((d) => d.agentId === ofAgentId)
      if (!isSeen) return no(NOT_YOUR_PIECE)
      floor.drafts.forget(threadId, ofAgentId)
      return done()
    }
    case 'callerIntoQueue':
      world?.ring(message, null, floor.now())
      floor.turn()
      return done()
    case 'ringBack': {
      const refused = await floor.ringsBack(message.campaignId)
      return refused === null ? done() : no(refused)
    }
    case 'nextAnswer':
      world?.setNextAnswer(message.as)
      return done()
    case 'listAnswers':
      world?.setListAnswers(message.as)
      floor.broadcast()
      return done()
    case 'soundHere':
      tab.soundHere = message.on
      floor.broadcast()
      return done()
    case 'ringHandset': {
      const reached = floor.devices.ringHandset(accountId, null)
      floor.turn()
      return reached ? done() : no(UNREACHABLE.handset)
    }
    case 'expectPhone':
      floor.devices.expectPhone(accountId)
      floor.broadcast()
      return done()
    case 'setUp': {
      const { setUp, setUpSeq } = floor.state()
      const withoutPin = setUp.agents.flatMap((a) => (a.retired || floor.accounts.hasPin(a.id) ? [] : [a.id]))
      return done(JSON.stringify({ setUp, revision: setUpSeq, withoutPin } satisfies SetUpInUse))
    }
    case 'doNotCall':
      return done(JSON.stringify(selectDoNotCall(floor.state(), message)))
    case 'history': {
      // Everybody's calls. Only where no worker can be shared must a tab itself hand them to its history, which then asks whose they are.
      const refused = floor.isShared ? lacking(floor.state(), accountId, 'supervision') : null
      return refused === null ? done(await floor.writer.read(message.afterSeq, message.throughSeq ?? Infinity)) : no(refused)
    }
    case 'pacing':
      return done(JSON.stringify(floor.pacing(message.campaignId)))
    case 'keptThing':
    case 'keepThing': {
      const refused = message.of === 'own' ? null : lacking(floor.state(), accountId, 'supervision')
      if (refused !== null) return no(refused)
      if (message.kind === 'keptThing') return done(await floor.keptThings.get(message.of, accountId, message.name))
      return (await floor.keptThings.set(message.of, accountId, message.name, message.text)) ? done() : no(TOO_MANY_KEPT)
    }
    case 'did':
      floor.noted(message.what, accountId, message.about)
      return done()
    case 'audit':
      return done(JSON.stringify(await floor.audit(message.atMost)))
    case 'checkEverything':
      floor.noted('checked', accountId)
      return done(JSON.stringify(await floor.checkEverything()))
    case 'ledger':
      floor.noted('ledgerExported', accountId)
      return done(await floor.writer.read(0))
    case 'damaged':
      return done(await floor.damaged())
    case 'findKept':
      floor.noted('lookedUp', accountId)
      return done(JSON.stringify(await floor.forgetting.find(message.sought)))
    case 'forget': {
      const refusal = await floor.forgetting.forget(accountId, message)
      if (refusal === null) floor.noted('forgot', accountId, message.about.length === 1 ? 'one thing' : `${message.about.length} things`)
      floor.turn(true)
      return refusal === null ? done() : no({ reason: refusal.reason, ...toRefusalText(refusal) })
    }
    case 'flushed':
      return (await floor.flushed()) ? done() : no(STORAGE_REFUSES)
    case 'soundKey':
      return done(floor.soundKey.get())
    case 'openSounds':
      floor.soundKey.set(message.identity)
      if (message.identity !== null) floor.noted('soundsOpened', accountId)
      return done()
    case 'backsUp':
      if (message.came === 'begins') return (await floor.flushed()) ? done() : no(STORAGE_REFUSES)
      if (message.came === 'saved') floor.noted('backedUp', null)
      else floor.notice('backup', 'loss', message.came === 'needsLeave' ? BACKUP_NEEDS_LEAVE : BACKUP_FAILED)
      return done()
    case 'putBackupInPlace': {
      floor.noted('restored', accountId)
      const refused = await floor.ending.putInPlace()
      return refused === null ? done() : no(refused)
    }
    case 'readAgain': {
      const refused = await floor.ending.readAgain()
      return refused === null ? done() : no(refused)
    }
  }
}

/** Why whoever is signed in does not pass for themselves; null where they do. A wrong PIN stands in the record, with where it was tried. */
async function ownPinRefused(floor: Floor, accountId: AgentId, pin: string, where: string): Promise<RefusalView | null> {
  const verified = await floor.accounts.verify(accountId, pin)
  if (verified.ok) return null
  if (verified.refusal.reason === 'wrongPin') floor.noted('signInRefused', accountId, where)
  return ownWordsOf(verified)
}
