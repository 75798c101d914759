import { expect, test } from '@playwright/test'
import { address, isAccessible, press, signIn } from './crew.ts'

test('a manager sets the day and what falls due; what is wrong is told and nothing is lost', async ({
  page,
}) => {
  await signIn(page, 'Oriel', '9080')
  await page.goto(address('/house/trade'))
  const opens = page.getByRole('textbox', { name: 'Monday, opens' })
  await expect(opens).toHaveValue('05:30')
  await opens.fill('24:30')
  await expect(page.getByRole('alert')).toHaveText(
    'Monday: two times such as 05:30 and 23:30, or both empty.',
  )
  await expect(page.getByRole('button', { name: 'Keep the site’s day' })).toBeDisabled()
  await isAccessible(page)
  await press(page, 'Put back as it was')
  await expect(opens).toHaveValue('05:30')
  const load = page.getByRole('textbox', { name: 'Load' }).last()
  await load.fill('0.6')
  await load.press('Tab')
  await press(page, 'Keep the site’s day')
  await expect(page.getByText('Saved: the log shows what changed.')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Load' }).last()).toHaveValue('0.6')

  await page.goto(address('/house/stations'))
  await page.getByRole('button', { name: /Kiosk slush/ }).click()
  const rule = page.getByRole('textbox', { name: /^Where it comes from/ }).first()
  await rule.fill('')
  await expect(page.getByRole('alert')).toHaveText(
    'Duty 1: say where it comes from, so that others can weigh it.',
  )
  await rule.fill('By its manual, page 12')
  await press(page, 'Keep the duties')
  await expect(page.getByText('Saved: the log shows what changed.')).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: /Kiosk slush/ }).click()
  await expect(page.getByRole('textbox', { name: /^Where it comes from/ }).first()).toHaveValue(
    'By its manual, page 12',
  )
})
