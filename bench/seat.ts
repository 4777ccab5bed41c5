// Somebody at a desk, for benches that need one: signed in, past the first steps.
import type { Page } from 'playwright'

export async function signIn(page: Page, address: string, [name, pin]: readonly [string, string]): Promise<void> {
  await page.addInitScript(() => localStorage.setItem('setting tour seen', 'yes'))
  await page.goto(address)
  await page.getByLabel('Name', { exact: true }).selectOption({ label: name })
  await page.getByLabel('PIN').fill(pin)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('navigation', { name: 'Places' }).waitFor()
}

export const ELUNED = ['Eluned Tarnow', '2417'] as const
export const KESTER = ['Kester Oddersey', '3108'] as const
export const LINNEA = ['Linnea Wickerby', '1290'] as const
