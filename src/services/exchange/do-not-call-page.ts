// The do-not-call list as tabs see it: a page of what is looked for.
import { searchDoNotCall } from '@/core/do-not-call'
import type { FloorState } from '@/core/state'
import type { DoNotCallPage } from './protocol'

export const selectDoNotCall = ({ doNotCall }: FloorState, { search, atMost }: { readonly search: string; readonly atMost: number }): DoNotCallPage =>
  searchDoNotCall(doNotCall, search, atMost)
