import { onShift, type Rules } from '@/core/rules/rule'
import type { ShiftCommand } from './commands'
import { setDiversion } from './diversion'
import { chooseSoundPath, clearNote, reportSoundLost, setDoNotDisturb, setNote } from './presence'
import { endShift, goNotReady, goReady, moveSeat, setMute, startShift } from './readiness'
import type { RulingRefusal } from './refusals'

export const SHIFT_RULES: Rules<ShiftCommand, RulingRefusal> = {
  startShift,
  moveSeat,
  endShift: onShift(endShift),
  goReady: onShift(goReady),
  goNotReady: onShift(goNotReady),
  setMute: onShift(setMute),
  chooseSoundPath: onShift(chooseSoundPath),
  reportSoundLost: onShift(reportSoundLost),
  setNote: onShift(setNote),
  clearNote: onShift(clearNote),
  setDoNotDisturb: onShift(setDoNotDisturb),
  setDiversion: onShift(setDiversion),
}
