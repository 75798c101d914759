import { go, isAccessible, later, press, settled, signIn, tap, touch } from './crew.ts'
import { beginsAnew, expect, test } from './test.ts'

beginsAnew()
test.use({ hasTouch: true })

test('fridges are read one after the other; one that is warm stays open until its food is told and it is cold again', async ({
  page,
}) => {
  await signIn(page, 'Bao', '2468')
  await expect(page.getByText('3 fridges to read')).toBeVisible()
  await tap(page, page.getByRole('link', { name: 'Read', exact: true }), 'tap')
  const fridge = (name: string) => page.getByRole('button', { name: new RegExp(`^${name}`) })
  const read = async (value: string) => {
    await settled(page)
    for (const key of value) await touch(page, page.getByRole('button', { name: key, exact: true }))
    await press(page, 'Save to the log')
  }
  await expect(fridge('Bar milk fridge')).toHaveAttribute('aria-pressed', 'true')
  await read('4')
  // What is cold leads on to the next; what is warm does not.
  await expect(fridge('Galley cold room')).toHaveAttribute('aria-pressed', 'true')
  await read('9')
  await expect(fridge('Galley cold room')).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByText('Ask who is in charge: cool the food at once, or throw it out')).toBeVisible()
  await expect(page.getByText(/^Last read cold at 19:2\d\. It may be warm since then\./)).toBeVisible()
  await isAccessible(page)
  await expect(page.getByRole('button', { name: 'Thrown out' })).toBeDisabled()
  await later(page, 60)
  // Four hours after it was cold last nothing is asked any more.
  await expect(page.getByRole('status').filter({ hasText: 'Throw the food out' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Moved to another fridge' })).toHaveCount(0)
  await read('4')
  // Cold air brings nothing back that was warm for so long.
  await expect(page.getByText('Cold again. Throw the food out')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Moved to another fridge' })).toHaveCount(0)
  await page.getByLabel('Which food, and how much').fill('cream, 3 L; custard base, 8 L')
  await press(page, 'Thrown out')
  await expect(page.getByText('Cold again.')).toHaveCount(0)
  await expect(page.getByText('all sent')).toBeVisible()
  await go(page, '/log/entries')
  await expect(page.getByText(/cream, 3 L; custard base, 8 L/).first()).toBeVisible()
})

test('a delivery is read before it is taken; what is opened has its last day, and is used up or thrown out', async ({
  page,
}) => {
  await signIn(page, 'Bao', '2468', '/shift/cold/delivery')
  await page.getByRole('textbox', { name: 'What', exact: true }).fill('whole milk, 12 bottles')
  await page.getByRole('radio', { name: 'Yes' }).tap()
  await expect(page.getByText('Read its temperature first')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Taken', exact: true })).toBeDisabled()
  await page.getByRole('textbox', { name: 'Its temperature' }).fill('9')
  await expect(page.getByText('Send it back')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Taken', exact: true })).toBeDisabled()
  await page.getByRole('textbox', { name: 'Its temperature' }).fill('4')
  await expect(page.getByText('Take it', { exact: true })).toBeVisible()
  await isAccessible(page)
  await press(page, 'Taken')
  await expect(page.getByText('Taken: whole milk, 12 bottles')).toBeVisible()

  await page.getByRole('link', { name: 'Opened food' }).click()
  await settled(page)
  // What came is offered; what is past its last day is only thrown out.
  await press(page, 'whole milk, 12 bottles')
  await expect(page.getByText('Use by 2 Dec 2026').first()).toBeVisible()
  await isAccessible(page)
  await press(page, 'Opened')
  const milk = page.locator('li', { hasText: 'whole milk, 12 bottles' })
  await expect(milk).toContainText('Use by 2 Dec 2026')
  await later(page, 24 * 60)
  const cream = page.locator('li', { hasText: 'whipping cream' })
  await expect(cream).toContainText('Past its last day, 26 Nov 2026: throw it out')
  await expect(cream.getByRole('button', { name: 'Used up' })).toHaveCount(0)
  await touch(page, cream.getByRole('button', { name: 'Thrown out' }))
  await expect(cream).toHaveCount(0)
  await touch(page, milk.getByRole('button', { name: 'Used up' }))
  await expect(milk).toHaveCount(0)
})
