// Everything a stand-in may mean to do. Plain data, so that an agenda can be looked at.
import type { Failure } from '@/core/calls'
import type { Written } from '@/core/channels'
import type { CircleOf } from '@/core/circles'
import type { AgentId, AttemptId, CallbackId, CallId, CampaignId, ConferenceId, DeviceId, MessageId, QueueId, TaskId, WorkId } from '@/core/ids'
import type { Thread } from '@/core/threads'
import type { Box } from '@/core/voicemail'
import type { RingWish, WriteWish } from './wish'

export type Act = CallerAct | ColleagueAct | PromiseAct | AttemptAct | WriterAct

export type AttemptReportIs = 'rings' | 'answered' | 'live' | 'machine' | 'busy' | 'invalid' | 'refused' | 'hungUp'

/** What comes of people of calling lists, and who sees to campaigns. */
type AttemptAct =
  | { readonly kind: 'attempt'; readonly attemptId: AttemptId; readonly is: AttemptReportIs; readonly sinceGreetingMs?: number }
  | { readonly kind: 'callRecord'; readonly agentId: AgentId }
  | { readonly kind: 'openCampaign'; readonly campaignId: CampaignId }

export type WritesBack = Pick<Thread, 'channel' | 'queueId' | 'address' | 'number' | 'customer' | 'subject'>

/** What people who write do, the gateway with texts, and colleagues with what is in their hands. */
type WriterAct =
  | { readonly kind: 'writes'; readonly queueId: QueueId; readonly channel: Written; readonly dayNo: number }
  | { readonly kind: 'write'; readonly wish: WriteWish; readonly offeredTo: AgentId | null }
  | { readonly kind: 'typeOn' | 'leaveDone' | 'keepThreadPlace'; readonly threadId: WorkId }
  /** `back`: what they answer, when it is over by then; absent where an earlier version noted it, and of chats. */
  | { readonly kind: 'writeOn'; readonly threadId: WorkId; readonly turn: number; readonly back?: WritesBack }
  | { readonly kind: 'leaveUnanswered'; readonly threadId: WorkId; readonly oursWere: number }
  | { readonly kind: 'sendOn'; readonly threadId: WorkId; readonly no: number }
  | { readonly kind: 'takeThread' | 'replyThread' | 'endThread'; readonly agentId: AgentId; readonly threadId: WorkId }

type CallerAct =
  | { readonly kind: 'arrive'; readonly queueId: QueueId; readonly dayNo: number }
  /** Somebody who has called before. */
  | { readonly kind: 'again'; readonly queueId: QueueId; readonly number: string; readonly dayNo: number }
  | { readonly kind: 'ring'; readonly wish: RingWish; readonly ringsAt: AgentId | null }
  | { readonly kind: 'giveUp'; readonly callId: CallId }
  | { readonly kind: 'keepPlace' | 'leaveMessage'; readonly callId: CallId }
  /** Rings a desk where nobody is, or a queue that is closed. */
  | { readonly kind: 'ringMailbox'; readonly box: Box }
  | { readonly kind: 'fedUp'; readonly callId: CallId; readonly heldSinceMs: number }
  | { readonly kind: 'breakOff'; readonly callId: CallId }
  | { readonly kind: 'say'; readonly callId: CallId; readonly turn: number }
  | { readonly kind: 'leave'; readonly callId: CallId; readonly deviceId?: DeviceId }
  /** Words of anybody but the caller: a colleague who is consulted, a place that was dialled, and what is said into a mailbox. */
  | { readonly kind: 'remark'; readonly callId: CallId; readonly deviceId: DeviceId; readonly text: string }
  /** Dials in to a conference, and keys its code there. */
  | { readonly kind: 'dialConference'; readonly conferenceId: ConferenceId; readonly number: string; readonly name: string }
  | { readonly kind: 'keyCode'; readonly number: string }
  | { readonly kind: 'measureLine'; readonly callId: CallId; readonly deviceId: DeviceId }
  | { readonly kind: 'heardDigits'; readonly callId: CallId; readonly deviceId: DeviceId; readonly digits: string }
  | { readonly kind: 'farEnd'; readonly callId: CallId; readonly deviceId?: DeviceId; readonly report: 'ringing' | 'answered' | Failure }

export type ColleagueAct =
  | { readonly kind: 'note'; readonly agentId: AgentId; readonly untilMs: number }
  | { readonly kind: 'clockOn' | 'clockOff' | 'goReady'; readonly agentId: AgentId }
  | { readonly kind: 'answer' | 'hold' | 'retrieve' | 'finish' | 'code'; readonly agentId: AgentId; readonly callId: CallId }
  /** Consults somebody about the call, and has heard enough. */
  | { readonly kind: 'ask' | 'askedEnough'; readonly agentId: AgentId; readonly callId: CallId }
  | { readonly kind: 'putThrough'; readonly agentId: AgentId; readonly callId: CallId; readonly queueId: QueueId }
  | { readonly kind: 'readOn'; readonly agentId: AgentId; readonly callId: CallId; readonly step: number }
  /** Listens to a message of their own; calls back who left one with their queue. */
  | { readonly kind: 'hearMessage'; readonly agentId: AgentId; readonly messageId: MessageId }
  | { readonly kind: 'callMessageBack'; readonly agentId: AgentId; readonly callId: CallId }
  | { readonly kind: 'joinConference'; readonly agentId: AgentId; readonly conferenceId: ConferenceId }
  | { readonly kind: 'ringUp'; readonly agentId: AgentId; readonly number: string }
  /** Reads what a colleague wrote, and writes back. */
  | { readonly kind: 'writeBack'; readonly agentId: AgentId; readonly circle: CircleOf; readonly no: number }
  /** Calls somebody at a desk; answers what somebody there has asked. */
  | { readonly kind: 'ringColleague'; readonly agentId: AgentId; readonly toAgentId: AgentId }
  | { readonly kind: 'answerQuestion'; readonly agentId: AgentId; readonly byAgentId: AgentId }

/** What colleagues do about what was promised. */
export type PromiseAct = { readonly kind: 'callBack'; readonly callbackId: CallbackId } | { readonly kind: 'doTask'; readonly taskId: TaskId }
