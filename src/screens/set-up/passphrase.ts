// What a passphrase must be that nobody can give again.

const SHORTEST = 10

/** What is wrong with it and what to do; null when nothing is. */
export const passphraseProblem = (passphrase: string, otherwise = ''): string | null =>
  passphrase.length >= SHORTEST
    ? null
    : `${passphrase === '' ? 'There is no passphrase' : 'It is too short'}. Type at least ${SHORTEST} characters, such as four words${otherwise}.`
export const againProblem = (passphrase: string, again: string): string | null => (passphrase === again ? null : 'The two are not the same. Type it once more.')
