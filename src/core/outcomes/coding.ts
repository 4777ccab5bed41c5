// Choosing a code: which there are for a call, what it asks for, and what speaks against it. Knows no schema, because the
// outcome tray asks it.
import { holds, type Known } from '@/core/scripts'
import type { OutcomeCode, OutcomeSet } from './code'

export const codeOf = (set: OutcomeSet, code: string): OutcomeCode | undefined => set.codes.find((c) => c.code === code)

/** The codes a call may get: those in use, and where we did not dial the person none that are for dialled calls only. */
export const codesFor = (set: OutcomeSet, dialled: boolean): readonly OutcomeCode[] => set.codes.filter((c) => !c.retired && (!c.onlyDialled || dialled))

/** What is put to the agent when the answers speak against the code; null when nothing does. */
export const doubtOf = (code: Pick<OutcomeCode, 'doubts'>, known: Known): string | null => code.doubts.find((d) => holds(d.when, known))?.says ?? null
