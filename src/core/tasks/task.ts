// Follow-up tasks in the customer record system, which is outside: what is filed there, for whom and until when.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema, TaskIdSchema } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import { InstantSchema } from '@/core/time'

export const TaskEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('taskFiled'),
      taskId: TaskIdSchema,
      callId: CallIdSchema,
      byAgentId: AgentIdSchema,
      customer: z.string().nullable(),
      number: z.string().nullable(),
      title: z.string().min(1),
      text: z.string(),
      dueAtMs: InstantSchema,
      /** null: whoever looks after it there. */
      assigneeId: AgentIdSchema.nullable(),
    })
    .readonly(),
  /** Done, or withdrawn because the call it came from got another outcome. */
  z.object({ kind: z.literal('taskClosed'), taskId: TaskIdSchema, byAgentId: AgentIdSchema, because: z.enum(['done', 'recoded']) }).readonly(),
])
export type TaskEvent = z.infer<typeof TaskEventSchema>

type Filed = Extract<TaskEvent, { kind: 'taskFiled' }>
export type Task = Omit<Filed, 'kind'> & { readonly filedAtMs: EpochMs }

/** null once it is closed. */
export function evolveTask(event: TaskEvent, atMs: EpochMs): Task | null {
  if (event.kind === 'taskClosed') return null
  const { kind: _kind, ...filed } = event
  return { ...filed, filedAtMs: atMs }
}
