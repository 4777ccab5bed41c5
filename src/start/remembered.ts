// What an agent chose at the start of their last shift on this computer, to be offered again.
import * as z from 'zod/mini'

const ChoiceSchema = z.object({ queueIds: z.array(z.string()), path: z.enum(['computer', 'handset', 'ownPhone']) })
export type LastChoice = z.infer<typeof ChoiceSchema>

const keyOf = (agentId: string) => `last shift ${agentId}`

/** null when there is none, or what is stored is not one. */
export function lastChoice(agentId: string): LastChoice | null {
  try {
    const stored = ChoiceSchema.safeParse(JSON.parse(localStorage.getItem(keyOf(agentId)) ?? 'null'))
    return stored.success ? stored.data : null
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    return null
  }
}

export const rememberChoice = (agentId: string, choice: LastChoice): void => localStorage.setItem(keyOf(agentId), JSON.stringify(choice))
