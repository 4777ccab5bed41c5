// Everything in one file, and back: in another browser, which has had a day of its own until then.
import { readFile } from 'node:fs/promises'
import { violations } from './axe'
import { button, hangUp, QUIET, quiet, signIn, signInAsOwner, state, takeCall } from './desk'
import { expect, fresh } from './warm'

const PASSPHRASE = 'the 18:45 leaves at seven'

fresh(
  'everything is saved as one file and goes on in another browser; a wrong passphrase, a cut file and a changed one change nothing',
  async ({ browser, context, page }) => {
    fresh.slow()
    await takeCall(page)
    await page.getByLabel('Notes').fill('Two adults and a dog')
    await hangUp(page)
    await page.keyboard.press('Alt+1')
    await page.keyboard.press('Alt+Enter')
    await expect(state(page)).toHaveText('Ready')
    const owner = await context.newPage()
    await signInAsOwner(owner, quiet('/set-up'))
    await button(owner, 'Save everything…').click()
    const saving = owner.getByRole('dialog', { name: 'Save everything' })
    for (const [typed, says] of [
      ['          ', 'There is no passphrase.'],
      ['short', 'It is too short.'],
    ] as const) {
      await saving.getByLabel('Passphrase').fill(typed)
      await button(owner, 'Save everything').click()
      await expect(saving).toContainText(says)
    }
    await saving.getByLabel('Passphrase').fill(PASSPHRASE)
    await saving.getByLabel('Once more').fill(`${PASSPHRASE}.`)
    await button(owner, 'Save everything').click()
    await expect(saving).toContainText('The two are not the same.')
    expect(await violations(owner)).toEqual([])
    await saving.getByLabel('Once more').fill(PASSPHRASE)
    const downloading = owner.waitForEvent('download')
    await button(owner, 'Save everything').click()
    const download = await downloading
    expect(download.suggestedFilename()).toMatch(/^fennholm-line-\d{4}-\d\d-\d\d\.zip\.age$/)
    const bytes = await readFile(await download.path())
    expect(bytes.includes('Ottoline')).toBe(false)
    await expect(saving).toContainText('is where this browser puts what it downloads.')

    // Another browser, in which somebody else has worked and is on a call.
    const elsewhere = await browser.newContext()
    const desk = await elsewhere.newPage()
    await takeCall(desk, { caller: 'Perrin Arncliffe' })
    const there = await elsewhere.newPage()
    await signInAsOwner(there, quiet('/set-up'))
    await button(there, 'Restore from a file…').click()
    const restoring = there.getByRole('dialog', { name: 'Restore from a file' })
    const choose = (buffer: Buffer, name = 'backup.zip.age') =>
      restoring.getByLabel('Backup file').setInputFiles({ name, mimeType: 'application/octet-stream', buffer })
    await choose(Buffer.from('nothing of a centre'))
    await expect(restoring).toContainText('This file is no backup of a centre.')
    await choose(bytes)
    const field = restoring.getByLabel('Passphrase of backup.zip.age')
    await field.fill('the 18:45 leaves on time')
    await button(there, 'Open it').click()
    await expect(restoring).toContainText('The passphrase does not open it')
    await field.fill(PASSPHRASE)
    await button(there, 'Open it').click()
    await expect(restoring.getByRole('status')).toHaveText('Every part of it is as it was written.')
    await expect(restoring).toContainText('Fennholm Line, saved on')
    expect(await violations(there)).toEqual([])
    // A copy of which the last bytes are missing, and one of which one is another.
    await there.keyboard.press('Escape')
    const changed = Buffer.from(bytes)
    changed[Math.floor(bytes.length / 2)] = (changed[Math.floor(bytes.length / 2)] ?? 0) ^ 1
    for (const broken of [bytes.subarray(0, bytes.length - 9), changed]) {
      await button(there, 'Restore from a file…').click()
      await choose(broken)
      await field.fill(PASSPHRASE)
      await button(there, 'Open it').click()
      await expect(restoring).toContainText('This file was cut or changed since it was made')
      await there.keyboard.press('Escape')
    }
    await expect(state(desk)).toHaveText('On call')

    await button(there, 'Restore from a file…').click()
    await choose(bytes)
    await field.fill(PASSPHRASE)
    await button(there, 'Open it').click()
    await button(there, 'Put it in place of what is here').click()
    // Every page begins anew, with the accounts of the file: nobody is signed in.
    for (const page_ of [there, desk]) await expect(page_.getByRole('heading', { name: 'Sign in' })).toBeVisible({ timeout: 60_000 })
    await signInAsOwner(there, quiet('/results'))
    await button(there, 'Today').click()
    const rows = there.getByRole('region', { name: 'Calls' }).getByRole('row')
    await expect(rows.filter({ hasText: 'Ottoline Fjelding' })).toHaveCount(1)
    await expect(rows.filter({ hasText: 'Perrin Arncliffe' })).toHaveCount(0)
    // The shift of the file goes on at the desk of whoever has it.
    await signIn(desk, 'Eluned Tarnow', '2417', QUIET)
    await expect(state(desk)).toHaveText('Ready')
    await elsewhere.close()
  },
)
