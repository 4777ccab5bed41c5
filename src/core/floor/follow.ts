// What follows by itself from what a command did: a call answered opens its script, a handover that failed comes back,
// a call over owes its outcome, and whoever is free gets the next waiting call. Reactions name the event they follow from.
import type { FloorEvent } from '@/core/ledger'
import { anybodyWaits } from '@/core/queues'
import { farEndDecided, followCampaigns, keepTarget } from '@/core/rules/campaign'
import { left, openScript, recordPage } from '@/core/rules/closing'
import { forgetAsked, ringWhoAreFree } from '@/core/rules/colleagues'
import { askForCode, codeKeyed, followConferences } from '@/core/rules/conferences'
import { answered, freesSomebody, route } from '@/core/rules/door'
import { followAgent, stopUnentitled, stopWhereBusy } from '@/core/rules/supervision'
import { handoverFailed, rescueStranded } from '@/core/rules/talk'
import { beginMessage, endMessage, requeueMessages } from '@/core/rules/voicemail'
import { askOutEverywhere, freesForThreads, offerThreads, passOffers, urgencyOfCalls } from '@/core/rules/writing'
import type { Draft } from '@/core/state'

type Follows<E> = (draft: Draft, seq: number, event: E) => void

/** In the order they are carried out. */
const FOLLOWS: { readonly [K in FloorEvent['kind']]?: readonly Follows<Extract<FloorEvent, { readonly kind: K }>>[] } = {
  connectionEstablished: [answered, beginMessage, askForCode, farEndDecided],
  callsJoined: [openScript],
  scriptPageShown: [recordPage],
  connectionFailed: [handoverFailed, rescueStranded, farEndDecided],
  connectionCleared: [handoverFailed, left, rescueStranded, endMessage, farEndDecided, followAgent],
  digitsReceived: [codeKeyed],
  agentNotReady: [(draft, seq, { agentId }) => passOffers(draft, seq, agentId)],
  setUpChanged: [requeueMessages, stopUnentitled],
  shiftEnded: [(draft, seq, { agentId }) => forgetAsked(draft, seq, agentId), (draft, seq, { agentId }) => askOutEverywhere(draft, seq, agentId)],
  recordCoded: [(draft, _seq, { campaignId }) => keepTarget(draft, campaignId)],
}

/** An end of a call is opened or answered: somebody who listens in may have a call of their own now. */
const occupies = ({ kind }: FloorEvent): boolean => kind === 'connectionEstablished' || kind === 'connectionRetrieved' || kind.endsWith('Originated')

export function follow(draft: Draft): void {
  const primary = draft.entries.slice()
  for (const { seq, event } of primary) for (const then of FOLLOWS[event.kind] ?? []) (then as Follows<FloorEvent>)(draft, seq, event)
  if (draft.entries.some(({ event }) => occupies(event))) stopWhereBusy(draft)
  // What is written and is more urgent than any call goes first, so that nobody waits for ever behind calls.
  const frees = draft.entries.some(({ event }) => freesForThreads(event)) && anybodyWaits(draft.state.threadsWaiting)
  if (frees) offerThreads(draft, urgencyOfCalls(draft))
  if (draft.entries.some(({ event }) => freesSomebody(event))) route(draft)
  if (frees) offerThreads(draft)
  const before = draft.entries.length
  followCampaigns(draft)
  // Whoever was kept free for somebody on the way may be free for what is written once that one is put through to another.
  if (anybodyWaits(draft.state.threadsWaiting) && draft.entries.slice(before).some(({ event }) => freesForThreads(event))) offerThreads(draft)
  if (draft.state.whenFree.size > 0) ringWhoAreFree(draft)
  followConferences(draft)
}
