import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { bringBack, layAside } from './keep-chunks.mjs'

test('a page of the build before finds its parts, the new build’s own stay as they are, and what is old goes', () => {
  const home = mkdtempSync(join(tmpdir(), 'chunks-'))
  const [folder, aside] = [join(home, 'next/static'), join(home, 'next/cache/static-before')]
  const write = (name: string, text: string, daysAgo = 0) => {
    mkdirSync(join(folder, 'chunks'), { recursive: true })
    writeFileSync(join(folder, 'chunks', name), text)
    const at = new Date(Date.now() - daysAgo * 86_400_000)
    utimesSync(join(folder, 'chunks', name), at, at)
  }
  // Nothing was built yet.
  layAside(folder, aside)
  bringBack(folder, aside)
  write('dialog-1.js', 'the dialog')
  write('both.js', 'before')
  write('ancient.js', 'of last month', 30)
  for (let build = 0; build < 2; build++) {
    layAside(folder, aside)
    expect(existsSync(folder)).toBe(false)
    write('dialog-2.js', 'the new dialog')
    write('both.js', 'now')
    bringBack(folder, aside)
    const read = (name: string) => readFileSync(join(folder, 'chunks', name), 'utf8')
    expect([read('dialog-1.js'), read('dialog-2.js'), read('both.js')]).toEqual(['the dialog', 'the new dialog', 'now'])
    expect(existsSync(join(folder, 'chunks/ancient.js'))).toBe(false)
    expect(existsSync(aside)).toBe(false)
  }
  rmSync(home, { recursive: true })
})
