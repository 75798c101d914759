import { isAccessible, press, settled, signIn, touch } from './crew.ts'
import { beginsAnew, expect, test } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

test('who is ill is kept by a manager alone: what keeps them away, what brings them back, and erased for good', async ({
  page,
}) => {
  await signIn(page, 'Ines', '4711', '/house/people')
  await expect(page.locator('li', { hasText: 'Dara' }).first()).toBeVisible()
  await expect(page.getByText('Ill, and fit again')).toHaveCount(0)
  await signIn(page, 'Oriel', '9080', '/house/people')
  await expect(page.getByText('Nobody is ill.')).toBeVisible()
  await press(page, 'Somebody is ill')
  const form = page.locator('form.illness')
  await expect(form.getByRole('button', { name: 'Save' })).toBeDisabled()
  await form.locator('.n-select').click()
  await page.locator('.n-base-select-option', { hasText: 'Dara' }).click()
  await touch(page, form.getByRole('button', { name: 'Vomiting' }))
  await expect(form.getByRole('status')).toContainText('Not at work')
  await expect(form.getByRole('status')).toContainText('24 hours free of it')
  // What a doctor finds asks for more, and for the authority.
  await touch(page, form.getByRole('radio', { name: 'Norovirus' }))
  await expect(form.getByText('The health authority has to be told of this.')).toBeVisible()
  await expect(form.getByRole('status')).toContainText('the health authority’s word, and 48 hours free of it')
  await isAccessible(page)
  await press(page, 'Save')
  const dara = page.locator('.illnesses li', { hasText: 'Norovirus, Vomiting' })
  await expect(dara).toContainText('Not at work')
  await settled(page)
  await touch(page, dara.getByRole('button', { name: 'Erase' }))
  await touch(page, dara.getByRole('button', { name: 'Erase for good' }))
  await expect(page.getByText('Nobody is ill.')).toBeVisible()
})
