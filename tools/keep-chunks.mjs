// What pages of the build before still load: parts of the program that come when they are opened. Their names say what is in them, so that they may lie
// beside those of the new build; a page that was open when it was put in place goes on finding them.
import { cpSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'

/** A page is not left open for longer. */
const KEPT_MS = 14 * 86_400_000

/** Before a build, which empties `folder`. */
export function layAside(folder, aside) {
  if (!existsSync(folder)) return
  rmSync(aside, { recursive: true, force: true })
  mkdirSync(dirname(aside), { recursive: true })
  renameSync(folder, aside)
}

/** After it: what the build did not make itself, and is not too old. */
export function bringBack(folder, aside, nowMs = Date.now()) {
  if (!existsSync(aside)) return
  for (const file of readdirSync(aside, { recursive: true })) {
    const [from, to] = [join(aside, file), join(folder, file)]
    const { mtimeMs, isDirectory } = infoOf(from)
    if (isDirectory || existsSync(to) || nowMs - mtimeMs > KEPT_MS) continue
    mkdirSync(dirname(to), { recursive: true })
    cpSync(from, to, { preserveTimestamps: true })
  }
  rmSync(aside, { recursive: true, force: true })
}

function infoOf(path) {
  const info = statSync(path)
  return { mtimeMs: info.mtimeMs, isDirectory: info.isDirectory() }
}
