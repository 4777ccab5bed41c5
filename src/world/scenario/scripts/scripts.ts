// Scripts of the scenario, written to be read aloud.
import type { Script } from '@/core/scripts'
import { ASSISTANCE } from './assistance'
import { DISRUPTION } from './disruption'
import { FREIGHT } from './freight'
import { ISLAND_PASS } from './island-pass'
import { SAILINGS } from './sailings'
import { WINTER } from './winter'

export const SCRIPTS: readonly Script[] = [SAILINGS, FREIGHT, DISRUPTION, ASSISTANCE, WINTER, ISLAND_PASS]
