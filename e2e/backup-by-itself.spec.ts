// Backups into a folder of the computer. The browser's window that asks for one is nothing a test can press: the folder is one of the browser's own.
import { violations } from './axe'
import { button, quiet, signInAsOwner } from './desk'
import { expect, fresh } from './warm'

fresh('everything is saved by itself into a folder, sealed by a key that is shown once; ended, it is no longer', async ({ page }) => {
  await page.addInitScript(() => {
    Object.assign(globalThis, {
      showDirectoryPicker: async () => (await navigator.storage.getDirectory()).getDirectoryHandle('backups', { create: true }),
    })
  })
  await signInAsOwner(page, quiet('/set-up'))
  const state = page.getByRole('region', { name: 'Saved by itself' })
  await button(page, 'Save it by itself…').click()
  const dialog = page.getByRole('dialog', { name: 'Save everything by itself' })
  const begin = dialog.getByRole('button', { name: 'Save it now, and from now on' })
  await begin.click()
  await expect(dialog).toContainText('No folder is chosen.')
  await dialog.getByRole('button', { name: 'Choose a folder…' }).click()
  await expect(dialog.getByRole('status')).toHaveText('backups')
  await dialog.getByLabel('Files that stay').fill('0')
  await begin.click()
  await expect(dialog).toContainText('It is no whole number from 1 to 1,000.')
  await dialog.getByLabel('Files that stay').fill('2')
  await begin.click()
  await expect(dialog).toContainText('Nobody can give you the key again.')
  const key = await dialog.locator('code').textContent()
  expect(key).toMatch(/^AGE-SECRET-KEY-1[0-9A-Z]+$/)
  expect(await violations(page)).toEqual([])
  if (process.env.PICTURE) await page.screenshot({ path: '/tmp/by-itself-dialog.png' })
  await dialog.getByLabel('I keep it elsewhere').check()
  await begin.click()
  await expect(state).toContainText('every day into the folder backups of this computer')
  await expect(state).toContainText('The last was made on')
  await button(page, 'Save it now').click()
  const files = () =>
    page.evaluate(async () => {
      const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('backups')
      const found: { name: string; text: string }[] = []
      for await (const [name, handle] of folder.entries()) found.push({ name, text: await (await (handle as FileSystemFileHandle).getFile()).text() })
      return found
    })
  await expect.poll(async () => (await files()).length).toBe(2)
  for (const { name, text } of await files()) {
    expect(name).toMatch(/^fennholm-line-by-itself-[\d-]+\.zip\.age$/)
    expect(text.startsWith('age-encryption.org/v1\n-> X25519 ')).toBe(true)
  }
  if (process.env.PICTURE) await page.screenshot({ path: '/tmp/by-itself.png' })
  // Its own file opens with the key, where everything is restored.
  const bytes = await page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('backups')
    for await (const handle of folder.values()) return [...new Uint8Array(await (await (handle as FileSystemFileHandle).getFile()).arrayBuffer())]
    return []
  })
  await button(page, 'Restore from a file…').click()
  const restoring = page.getByRole('dialog', { name: 'Restore from a file' })
  await restoring.getByLabel('Backup file').setInputFiles({ name: 'mine.zip.age', mimeType: 'application/octet-stream', buffer: Buffer.from(bytes) })
  await restoring.getByLabel('Passphrase of mine.zip.age').fill(key ?? '')
  await button(page, 'Open it').click()
  await expect(restoring.getByRole('status')).toHaveText('Every part of it is as it was written.')
  await page.keyboard.press('Escape')
  await button(page, 'Who did what…').click()
  await expect(page.getByRole('dialog', { name: 'Who did what' })).toContainText('Everything was saved by itself')
  await page.keyboard.press('Escape')

  await button(page, 'Change…').click()
  await expect(dialog.getByRole('radio', { name: 'Sealed as before' })).toBeChecked()
  await page.keyboard.press('Escape')
  await button(page, 'Stop it').click()
  await expect(button(page, 'Save it by itself…')).toBeVisible()
  await page.reload()
  await expect(button(page, 'Save it by itself…')).toBeVisible()
  expect((await files()).length).toBe(2)
})
