// node tools/voices.mjs: makes the stand-ins' voices anew, for who writes them new lines. Needs Debian's espeak-ng and ffmpeg;
// the clips are committed, so that nobody else does.
import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'

const OUT = 'public/voices'
/** Two synthetic people: how espeak-ng is asked for them. */
const SPEAKERS = { a: ['-v', 'en-gb+f3', '-s', '158', '-p', '46'], b: ['-v', 'en-gb', '-s', '150', '-p', '38'] }

const work = mkdtempSync(join(tmpdir(), 'voices-'))
const ENTRY = "export { SPOKEN } from './src/world/scenario/spoken'\nexport { clipOf, VOICES } from './src/parts/sound/clip'"
await build({
  stdin: { contents: ENTRY, resolveDir: process.cwd(), loader: 'ts' },
  bundle: true,
  format: 'esm',
  platform: 'node',
  alias: { '@': './src' },
  outfile: join(work, 'spoken.mjs'),
})
const { SPOKEN, clipOf, VOICES } = await import(pathToFileURL(join(work, 'spoken.mjs')))

rmSync(OUT, { recursive: true, force: true })
for (const voice of VOICES) {
  mkdirSync(join(OUT, voice), { recursive: true })
  for (const text of SPOKEN) {
    const wav = join(work, 'clip.wav')
    execFileSync('espeak-ng', [...SPEAKERS[voice], '-w', wav, text.replaceAll('{booking}', 'as it says on my letter')])
    execFileSync('ffmpeg', ['-y', '-loglevel', 'error', '-i', wav, '-ac', '1', '-c:a', 'libopus', '-b:a', '12k', join(OUT, voice, `${clipOf(text)}.ogg`)])
  }
}
writeFileSync(join(OUT, 'clips.json'), `${JSON.stringify(SPOKEN.map(clipOf))}\n`)
execFileSync('node_modules/.bin/biome', ['format', '--write', join(OUT, 'clips.json')])
const bytes = VOICES.flatMap((v) => readdirSync(join(OUT, v)).map((f) => statSync(join(OUT, v, f)).size)).reduce((a, b) => a + b, 0)
console.log(`${SPOKEN.length} lines in ${VOICES.length} voices, ${Math.round(bytes / 1000)} kB`)
rmSync(work, { recursive: true })
