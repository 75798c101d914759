import { go, isAccessible, press, tap } from './crew.ts'
import { expect, type Page } from './test.ts'

/** Something in stock on a site that began empty: entered and counted in its own units, and no days are told before anybody can know. */
export async function stocked(page: Page, each?: (where: string) => Promise<void>): Promise<void> {
  await go(page, '/house/stock')
  await expect(page.getByText('Nothing is kept in stock yet')).toBeVisible()
  await press(page, 'Something new in stock')
  await press(page, 'Save')
  await expect(page.getByText(/^Say what it is, how much one pack holds/)).toBeVisible()
  await tap(page, page.getByRole('radio', { name: 'Something else' }), 'tap')
  await page.getByRole('textbox', { name: 'Its name' }).fill('Machine lubricant')
  await tap(page, page.getByRole('radio', { name: 'volume' }), 'tap')
  await page.getByRole('textbox', { name: 'One pack holds' }).fill('0.5')
  await page.getByRole('textbox', { name: 'Days from ordering until it comes' }).fill('5')
  await each?.('/house/stock')
  await press(page, 'Save')
  const row = page.locator('li', { hasText: 'Machine lubricant' })
  await expect(row).toContainText('Not counted yet: count it first')
  await row.locator('button.row').tap()
  await press(page, 'Count')
  const amount = page.getByRole('textbox', { name: 'How much is there' })
  await amount.fill('much')
  await expect(page.getByRole('button', { name: 'Keep', exact: true })).toBeDisabled()
  await amount.fill('0.25')
  await isAccessible(page)
  await press(page, 'Keep')
  await expect(row).toContainText('Can’t tell yet')
  await press(page, 'Count')
  await expect(page.getByText(each ? 'How much is there, gal' : 'How much is there, L')).toBeVisible()
  await each?.('/house/stock')
}
