// What a passphrase must be that nobody can give again.

const SHORTEST = 10
const LONGEST = 1_000

/** What is wrong with it and what to do; null when nothing is. */
export function passphraseProblem(passphrase: string, otherwise = ''): string | null {
  // Spaces around it keep nobody out.
  const bare = passphrase.trim()
  if (bare.length < SHORTEST)
    return `${bare === '' ? 'There is no passphrase' : 'It is too short'}. Type at least ${SHORTEST} characters, such as four words${otherwise}.`
  return passphrase.length <= LONGEST ? null : `It is too long. Type at most ${LONGEST.toLocaleString('en-GB')} characters.`
}

export const againProblem = (passphrase: string, again: string): string | null => (passphrase === again ? null : 'The two are not the same. Type it once more.')
