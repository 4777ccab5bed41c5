// Scripts of the scenario, written to be read aloud.
import type { Script } from '@/core/scripts'
import { ASSISTANCE } from './assistance'
import { DISRUPTION } from './disruption'
import { FREIGHT } from './freight'
import { SAILINGS } from './sailings'

export const SCRIPTS: readonly Script[] = [SAILINGS, FREIGHT, DISRUPTION, ASSISTANCE]
