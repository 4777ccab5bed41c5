// What is said of sound paths and of everything that can be wrong with them: what, why, and the cure.
import type { SoundPath } from '@/core/agents'
import type { MicrophoneFailure, Verdict } from '@/parts/sound'

export const PATH_WORDS: Readonly<Record<SoundPath, string>> = {
  computer: 'This computer',
  handset: 'Desk handset',
  ownPhone: 'My own phone',
  none: 'No sound',
}

export const MICROPHONE_FAILURES: Readonly<Record<MicrophoneFailure, string>> = {
  blocked:
    'The browser does not let this page use the microphone. Open the site settings at the left end of the address bar, set Microphone to Allow, then check again.',
  noDevice: 'No microphone was found. Plug in the headset, or choose another microphone, then check again.',
  taken: 'Another program holds the microphone. Close the program that uses it, such as a meeting, then check again.',
  unsupported: 'This browser cannot use a microphone here. Use the desk handset or your own phone, or another browser.',
}

export const VERDICTS: Readonly<Record<Exclude<Verdict, 'good'>, string>> = {
  silent:
    'Nothing at all was heard: the level stayed at zero. Switch the microphone on at the headset’s cable, or choose another microphone, then check again.',
  faint: 'You were hardly heard. Bring the microphone closer to your mouth, or turn it up in the computer’s sound settings, then check again.',
  clipped: 'You were so loud that it crackles. Turn the microphone down in the computer’s sound settings, or move it away a little, then check again.',
}
