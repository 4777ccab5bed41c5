// Mailboxes and sound that is saved, as tests ask for them.
import { readFile } from 'node:fs/promises'
import { expect, type Page } from '@playwright/test'
import { button, goTo } from './desk'

export const messages = (page: Page) => page.getByRole('listbox', { name: 'Messages' }).getByRole('option')
export const message = (page: Page) => page.getByRole('complementary', { name: 'Message' })
export const toVoicemail = async (page: Page) => {
  await goTo(page, 'People')
  await page.getByRole('link', { name: 'Voicemail' }).click()
}
/** Of a WAV that is saved by the next press. */
export async function savedSound(page: Page): Promise<{ readonly seconds: number; readonly peak: number }> {
  const download = page.waitForEvent('download')
  await button(page, 'Save as WAV').click()
  const wav = await readFile(await (await download).path())
  expect(wav.toString('latin1', 0, 4)).toBe('RIFF')
  const samples = new Int16Array(wav.buffer.slice(wav.byteOffset + 44, wav.byteOffset + wav.byteLength))
  return { seconds: samples.length / 16_000, peak: samples.reduce((peak, s) => Math.max(peak, Math.abs(s)), 0) }
}
