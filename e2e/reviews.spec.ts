// A call is scored against a sheet; whom it is about sees it and answers; the figures say what it comes to.
import { button, goReady, hangUp, LINNEA, ringMe, signIn, startShift, state } from './desk'
import { expect, test } from './warm'

test('a review is made, with remarks at places of the call, answered by the agent, and counted', async ({ page }) => {
  test.slow()
  await startShift(page)
  await goReady(page)
  await ringMe(page)
  await button(page, 'Answer').click()
  await hangUp(page)
  await page.keyboard.press('Alt+1')
  await page.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')

  const linnea = await page.context().newPage()
  await signIn(linnea, LINNEA.name, LINNEA.pin, '/results/reviews?world=quiet&seed=7&days=0')
  await expect(linnea.getByText('No call was reviewed on these days.')).toBeVisible()
  await button(linnea, 'Pick a call at random').click()
  await expect(linnea.getByRole('heading', { name: /Ottoline Fjelding/ })).toBeVisible()
  await button(linnea, 'Review this call').click()
  const form = linnea.getByRole('form', { name: 'Review' })
  await form
    .getByRole('group', { name: /^Greeted by the script/ })
    .getByLabel('4 good')
    .check()
  await form
    .getByRole('group', { name: /^Found out who is on the line/ })
    .getByLabel('No')
    .check()
  await expect(form.getByRole('status')).toContainText('Score: 0.0 % · failed: Found out who is on the line')
  await form
    .getByRole('group', { name: /^Found out who is on the line/ })
    .getByLabel('Yes')
    .check()
  await button(linnea, 'Save review').click()
  await expect(form).toContainText('“Let the caller finish, and said back what they want” is not answered.')
  for (const label of [/^Let the caller finish/, /^Found what helps/, /^Asked before holding/])
    await form.getByRole('group', { name: label }).getByLabel('5 very good').check()
  await form
    .getByRole('group', { name: /^Coded what really came of it/ })
    .getByLabel('Yes')
    .check()
  await form.getByLabel('At', { exact: true }).fill('99:00')
  await form.getByLabel('Remark', { exact: true }).fill('Well listened.')
  await button(linnea, 'Add remark').click()
  await expect(form).toContainText('“99:00” is no place in this call.')
  await form.getByLabel('At', { exact: true }).fill('0:00')
  await button(linnea, 'Add remark').click()
  await button(linnea, 'Save review').click()
  // Weights 1, 2, 3, 3, 1, 2: the greeting alone is not perfect.
  const score = `${(((1 * 0.75 + 11) / 12) * 100).toFixed(1)} %`
  const review = linnea.getByRole('article', { name: 'Review of Eluned Tarnow by Linnea Wickerby' })
  await expect(review).toContainText(score)
  await expect(review).toContainText('Well listened.')

  const waits = page.getByRole('region', { name: 'Reviews to answer' })
  await expect(waits).toContainText('A review of one of your calls waits for your answer.')
  await waits.getByRole('link', { name: 'Read it' }).click()
  await page.getByRole('table', { name: 'Reviews', exact: true }).getByRole('link').click()
  await button(page, 'I do not agree').click()
  await expect(page.getByText('You do not agree, and say not why.')).toBeVisible()
  await page.getByLabel('Your answer').fill('I greeted them twice.')
  await button(page, 'I do not agree').click()
  await expect(review).toContainText('Eluned Tarnow does not agree: “I greeted them twice.”')
  await expect(waits).toBeHidden()
  await linnea.getByRole('link', { name: 'All results' }).click()
  await linnea.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Reviews' }).click()
  await expect(linnea.getByRole('table', { name: 'Reviews by agent' }).getByRole('row').last()).toContainText(`Eluned Tarnow1${score}001`)
  // Nobody is reviewed twice by chance.
  await button(linnea, 'Pick a call at random').click()
  await expect(linnea.getByText('No call of these days is left that nobody has reviewed.')).toBeVisible()
})
