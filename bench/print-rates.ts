import { keep } from './keep'
import type { Rates } from './rate'
import { print } from './statistics'

export function printRates(where: string, rates: readonly Rates[]): void {
  for (const { agents, commandsPerSecond } of rates) {
    keep(`${where === 'in Chromium' ? 'chromium.' : ''}floor.commandsPerSecond.${agents}`, commandsPerSecond, '/s', agents === 60 ? 100_000 : null)
    print(`commands decided and folded ${where}, ${agents} agents`, `${commandsPerSecond} /s`, agents === 60 ? '100000 /s' : 'flat')
  }
}
