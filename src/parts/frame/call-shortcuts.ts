// What the keys do on the board: always to the line in front, so that a key means the same whatever has the focus.
import { type Call, type Connection, connectionOf, ROLES, type Role, takesPart } from '@/core/calls'
import type { Ask } from '@/core/floor'
import { isMine } from '@/parts/words'
import type { CallView, MeView } from '@/services/exchange/protocol'
import type { OpenPanel, Panel } from './panel'
import { type Handlers, ROLE_KEYS } from './shortcuts'

interface Options {
  readonly me: MeView
  readonly calls: readonly CallView[]
  readonly inFront: CallView | undefined
  readonly give: (command: Ask) => Promise<boolean>
  readonly panel: OpenPanel | null
  readonly onPanel: (panel: OpenPanel | null) => void
}

const endOf = ({ call }: CallView, me: MeView) => call.connections.find((c) => isMine(c, me.id))

/** The line that rings, otherwise the one heard, otherwise the last opened. */
export const lineInFront = (calls: readonly CallView[], me: MeView): CallView | undefined =>
  calls.find((v) => endOf(v, me)?.state === 'alerting') ?? calls.find((v) => endOf(v, me)?.state !== 'held') ?? calls.at(-1)

export function callShortcuts({ me, calls, inFront, give, panel, onPanel }: Options): Handlers {
  if (inFront === undefined) return {}
  const { call } = inFront
  const mine = endOf(inFront, me)
  const on = { callId: call.id }
  const gives = (command: Ask) => () => void give(command)
  if (mine !== undefined && !takesPart(mine)) return listeningKeys(call, mine, gives)
  if (mine?.state === 'alerting')
    return {
      answer: gives({ kind: 'answer', ...on }),
      silence: gives({ kind: 'silence', ...on }),
      decline: gives({ kind: 'decline', ...on }),
      divert: () => onPanel({ callId: call.id, panel: 'divert' }),
      voicemail: gives({ kind: 'divert', ...on, target: { kind: 'voicemail', agentId: me.id } }),
      ...undo(calls, me, give),
    }
  /** The line a picker is about: the caller's, also while somebody is consulted about them. */
  const first = call.consultFor ?? call.id
  const toggle = (next: Panel, callId = first) => onPanel(panel?.panel === next && panel.callId === callId ? null : { callId, panel: next })
  const consult = call.consultFor !== null ? call : calls.find((v) => v.call.consultFor === call.id)?.call
  const held = calls.find((v) => endOf(v, me)?.state === 'held')?.call
  return {
    hold: gives({ kind: mine?.state === 'held' ? 'retrieve' : 'hold', ...on }),
    hangUp: call.consultFor === null ? gives({ kind: 'hangUp', ...on }) : gives({ kind: 'endConsult', ...on }),
    transfer: () => toggle('transfer'),
    conference: consult === undefined ? () => toggle('conference') : gives({ kind: 'conference', callId: consult.id }),
    keypad: () => toggle('keypad', call.id),
    park: gives({ kind: 'park', ...on }),
    record: gives({ kind: 'record', ...on, to: call.recording === null ? 'on' : 'off' }),
    askForHelp: gives(me.help?.callId === call.id ? { kind: 'dropHelp' } : { kind: 'askForHelp', ...on }),
    move: gives({ kind: 'moveCall', ...on, endpoint: mine?.endpoint === 'computer' ? 'handset' : 'computer' }),
    ...(call.messageId !== null ? { complete: gives({ kind: 'callMessageBack', ...on }) } : {}),
    ...(consult === undefined
      ? {}
      : {
          complete: gives({ kind: 'completeTransfer', callId: consult.id }),
          endConsult: gives({ kind: 'endConsult', callId: consult.id }),
        }),
    ...(held === undefined ? {} : { alternate: gives({ kind: 'alternate', callId: held.id }) }),
    ...undo(calls, me, give),
  }
}

/** Whoever listens in changes how with one key, and stops with one. */
function listeningKeys(call: Call, { beside }: Connection, gives: (command: Ask) => () => void): Handlers {
  const stop = { hangUp: gives({ kind: 'stopListening', callId: call.id }) }
  const party = beside === null ? undefined : connectionOf(call, beside)?.party
  if (party?.kind !== 'agent') return stop
  const comes = (role: Role) => gives({ kind: 'takeRole', callId: call.id, besideId: party.agentId, role })
  const roles = Object.fromEntries(ROLES.map((role) => [ROLE_KEYS[role], comes(role)]))
  return { ...roles, transfer: gives({ kind: 'takeOver', callId: call.id, fromAgentId: party.agentId }), ...stop }
}

function undo(calls: readonly CallView[], me: MeView, give: Options['give']): Handlers {
  const ending = calls.find((v) => v.call.clearing?.byAgentId === me.id)?.call
  return ending === undefined ? {} : { undo: () => void give({ kind: 'takeBack', callId: ending.id }) }
}
