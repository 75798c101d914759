import { go, isAccessible, press, settled, touch } from './crew.ts'
import { expect, type Page } from './test.ts'

/** A round of a site that began empty: made in House, walked by touch, a fridge read on it in the site's own units. */
export async function walkedRound(page: Page, each?: (where: string) => Promise<void>): Promise<void> {
  await go(page, '/shift')
  await page.getByRole('link', { name: 'Rounds', exact: true }).tap()
  await expect(page.getByText('No round is made yet')).toBeVisible()
  await page.getByRole('link', { name: 'Make a round' }).tap()
  await press(page, 'New round')
  await press(page, 'Save the round')
  await expect(page.getByText('Give it a name.')).toBeVisible()
  await page.getByRole('textbox', { name: 'Its name' }).fill('First round')
  await page.getByRole('radio', { name: 'Any time of the day' }).tap()
  await press(page, /^Read Fridge/)
  await expect(page.getByText('Say where first.')).toBeVisible()
  await page.getByRole('textbox', { name: 'Where' }).fill('Back')
  await press(page, /^Read Fridge/)
  await press(page, /^Food and packs stand (15 cm|6 in) or more off the floor$/)
  await each?.('/house/rounds')
  await press(page, 'Save the round')
  await go(page, '/shift/rounds')
  await touch(page, page.getByRole('button', { name: 'Begin' }))
  await expect(page.getByRole('heading', { name: /^Read Fridge/ })).toBeVisible()
  // A fridge is not called fine: it is read.
  await expect(page.getByRole('button', { name: 'Fine', exact: true })).toHaveCount(0)
  await settled(page)
  for (const key of each ? '39' : '4') await touch(page, page.getByRole('button', { name: key, exact: true }))
  await press(page, 'Save to the log')
  await expect(page.getByRole('heading', { name: /off the floor$/, level: 2 })).toContainText(
    each ? '6 in' : '15 cm',
  )
  await each?.('/shift/rounds')
  await press(page, 'Not fine')
  await expect(page.getByRole('button', { name: 'Keep', exact: true })).toBeDisabled()
  await page.getByLabel('What is wrong').fill('rice on the floor')
  await isAccessible(page)
  await press(page, 'Keep')
  await press(page, 'End the round')
  await expect(page).toHaveURL(/\/shift$/)
  await expect(page.getByText('rice on the floor')).toBeVisible()
  await each?.('/shift')
}
