import { beginsAnew, expect, test } from './test.ts'
import { go, isAccessible, press, signIn } from './crew.ts'

beginsAnew()

test('a lead makes a link, an inspector reads the log by it on a device of their own, and it is ended', async ({
  page,
  browser,
}) => {
  await signIn(page, 'Ines', '4711', '/house/people')
  await press(page, 'Make a link')
  await page.getByRole('textbox', { name: 'Who is it for?' }).fill('A. Quill')
  await page.getByRole('radio', { name: 'the last 7 days' }).click()
  await isAccessible(page)
  await press(page, 'Make the link')
  await expect(page.getByRole('img', { name: 'The link as a code for the camera' })).toBeVisible()
  const link = (await page.locator('code').textContent()) ?? ''
  const theirs = await (await browser.newContext({ hasTouch: true })).newPage()
  await theirs.goto(link)
  await expect(theirs.getByRole('heading', { name: 'Gannet Terminal: cleaning log' })).toBeVisible()
  await expect(theirs.getByText('read only')).toBeVisible()
  // The address holds the secret no longer.
  expect(theirs.url()).not.toContain('#')
  // A day on a page first; every entry of the period beside it.
  await expect(theirs.getByText(/\d+ cleanings\. \d+ readings/)).toBeVisible()
  await isAccessible(theirs)
  await theirs.getByRole('button', { name: 'Every entry' }).tap()
  const row = theirs.getByRole('button', { name: /Finished .+ on/ }).first()
  await row.tap()
  await expect(theirs.getByText('Observed', { exact: true })).toBeVisible()
  for (const act of ['Amend', 'Sign the day', 'Enter a run'])
    await expect(theirs.getByText(act)).toHaveCount(0)
  await isAccessible(theirs)
  await theirs.getByRole('button', { name: 'Check that nothing was altered' }).tap()
  await expect(theirs.getByText(/records checked: none altered, none missing/)).toBeVisible()
  // No other place of the application is theirs.
  await theirs.goto(new URL('/house/people', link).href)
  await expect(theirs.getByRole('heading', { name: 'Gannet Terminal: cleaning log' })).toBeVisible()
  // On the tablet where somebody works it is no way in.
  const shared = await page.context().newPage()
  await shared.goto(link)
  await expect(shared.getByRole('alert')).toContainText('Somebody of the site is signed in')
  await shared.close()
  await page.locator('li', { hasText: 'A. Quill' }).getByRole('button', { name: 'End it' }).click()
  const ended = page.locator('li', { hasText: 'A. Quill' })
  await expect(ended).toContainText('Ended')
  await expect(ended).toContainText(/Looked at: .*every entry/)
  await expect(ended.getByRole('button', { name: 'End it' })).toHaveCount(0)
  await theirs.goto(link)
  await expect(theirs.getByRole('alert')).toContainText('This link has ended')
  await go(page, '/log/entries')
  await expect(page.getByText('Link for an inspector ended: A. Quill')).toBeVisible()
})
