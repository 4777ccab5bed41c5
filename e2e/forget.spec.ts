// Somebody from outside is forgotten, through the screens: found first, gone for good, and figures stay.
import { violations } from './axe'
import { button, goTo, hangUp, quiet, signInAsOwner, state, takeCall } from './desk'
import { placesOf } from './stored'
import { expect, test } from './warm'

test('a person is looked for, shown with all that names them, and forgotten: in no page and no store, while the call stays counted', async ({
  page,
  context,
}) => {
  test.slow()
  await takeCall(page)
  await page.getByLabel('Notes').fill('A ladder of nine metres')
  const owner = await context.newPage()
  await signInAsOwner(owner, quiet('/set-up'))
  await button(owner, 'Forget a person…').click()
  const dialog = owner.getByRole('dialog', { name: 'Forget a person' })
  const whom = dialog.getByLabel('Their numbers, mail addresses and names')
  await expect(whom).toBeFocused()
  const look = async (text: string) => {
    await whom.fill(text)
    await whom.press('Enter')
  }
  for (const [text, says] of [
    ['', 'Nothing is written.'],
    ['Ot', '“Ot” is too short'],
    ['01632', '“01632” is not a whole telephone number.'],
    ['x'.repeat(301), 'is too long to be a number'],
    [Array.from({ length: 21 }, () => 'Nobody Whatever').join(', '), 'That is 21 at once.'],
    ['Nobody Whatever', 'Nothing is kept about them.'],
  ] as const) {
    await look(text)
    await expect(dialog).toContainText(says)
    await expect(whom).toHaveValue(text)
  }
  expect(await violations(owner)).toEqual([])
  await look('ottoline  fjelding')
  const kept = dialog.getByRole('list', { name: 'What is kept' })
  await expect(kept.getByRole('listitem').first()).toHaveText('call1')
  await expect(dialog).toContainText(/What names them there: .*Ottoline Fjelding/)
  expect(await violations(owner)).toEqual([])
  if (process.env.PICTURE) await owner.screenshot({ path: '/tmp/forget1.png' })
  await button(owner, 'Forget them for good').click()
  await expect(dialog).toContainText('They cannot be forgotten now: a call with them is under way, or its outcome is owed.')

  await hangUp(page)
  await page.keyboard.press('Alt+1')
  await page.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')
  await button(owner, 'Look for somebody else').click()
  await look('Ottoline Fjelding')
  await expect(kept.getByRole('listitem').first()).toHaveText('call1')
  await button(owner, 'Forget them for good').click()
  await expect(dialog).toContainText('They are forgotten.')
  if (process.env.PICTURE) await owner.screenshot({ path: '/tmp/forget2.png' })
  await button(owner, 'Close').click()

  // The call stands in the figures and names nobody; what is stored does not either, once both pages were closed.
  await goTo(owner, 'Results')
  await expect(owner.getByRole('region', { name: 'Calls' }).getByRole('row').nth(1)).toContainText('forgotten')
  await expect(owner.getByRole('main')).not.toContainText('Ottoline')
  if (process.env.PICTURE) await owner.screenshot({ path: '/tmp/forget3.png' })
  await page.close()
  await owner.goto(quiet('/results'))
  await expect(owner.getByRole('region', { name: 'Calls' }).getByRole('row').nth(1)).toContainText('forgotten')
  for (const personal of ['Ottoline Fjelding', 'nine metres']) expect(await placesOf(owner, personal), personal).toEqual([])
  expect(await placesOf(owner, 'callQueued')).not.toEqual([])
  await goTo(owner, 'Set-up')
  await button(owner, 'Forget a person…').click()
  await look('Ottoline Fjelding')
  await expect(dialog).toContainText('Nothing is kept about them.')
  await button(owner, 'Close').click()

  await button(owner, 'Check everything').click()
  const checking = owner.getByRole('dialog', { name: 'Check everything' })
  await expect(checking).toContainText('Everything is as it was written.')
  await expect(checking).toContainText(/Gone through: [\d,]+ entries of the ledger, .* calling lists\./)
  if (process.env.PICTURE) await owner.screenshot({ path: '/tmp/check.png' })
  await button(owner, 'Close').click()
  await button(owner, 'Who did what…').click()
  const did = owner.getByRole('dialog', { name: 'Who did what' })
  await expect(did.getByRole('status')).toContainText('each as it was written.')
  const records = did.getByRole('row')
  await expect(records.nth(1)).toContainText('Linnea Wickerby had everything checked')
  for (const what of ['Eluned Tarnow signed in', 'Linnea Wickerby looked for what is kept of a person', 'Linnea Wickerby had a person forgotten'])
    await expect(records.filter({ hasText: what }).first()).toBeVisible()
  await expect(did).not.toContainText('Ottoline')
  expect(await violations(owner)).toEqual([])
  if (process.env.PICTURE) await owner.screenshot({ path: '/tmp/audit.png' })
})
