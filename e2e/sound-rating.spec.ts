import { button, hangUp, resultsOfAll, state, takeCall } from './desk'
import { expect, test } from './warm'

test('how the sound was: one press when it was bad, said again after the call, and shown by path and number range', async ({ page }) => {
  await takeCall(page)
  await button(page, 'Sound was bad').click()
  const rating = page.getByRole('group', { name: 'How was the sound?' })
  await rating.getByRole('button', { name: 'echo' }).click()
  await expect(rating.getByRole('button', { name: 'echo' })).toHaveAttribute('aria-pressed', 'true')
  await hangUp(page)
  await expect(state(page)).toHaveText('Wrap-up')
  // The last word counts.
  await rating.getByRole('button', { name: 'gaps' }).click()
  await expect(rating.getByRole('button', { name: 'gaps' })).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('Alt+4')
  await page.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')
  const results = await resultsOfAll(page)
  const sound = results.getByRole('region', { name: 'Sound' })
  await expect(sound).toContainText('1 call was rated; trouble in 100')
  await expect(sound.getByRole('table', { name: 'Sound path' }).getByRole('row', { name: /^This computer/ })).toContainText(/This computer1100\.0 %1/)
  await expect(sound.getByRole('table', { name: 'Number range' }).getByRole('row').nth(1)).toContainText('+4477…')
})
