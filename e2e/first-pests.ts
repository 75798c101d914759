import { go, isAccessible, press, tap } from './crew.ts'
import { expect, type Page } from './test.ts'

/** Pests on a site that began empty: what is seen is told, a device stands on the plan, a visit is planned and made. */
export async function pestsSeen(page: Page, each?: (where: string) => Promise<void>): Promise<void> {
  await go(page, '/house/pests')
  await expect(page.getByText('Nothing was seen that is not settled.')).toBeVisible()
  await tap(page, page.getByRole('radio', { name: 'Fly', exact: true }), 'tap')
  await tap(page, page.getByRole('radio', { name: 'Alive' }), 'tap')
  await page.getByRole('textbox', { name: 'Where', exact: true }).fill('Back')
  await press(page, 'Keep')
  await expect(page.getByRole('heading', { name: 'Fly: Alive' })).toBeVisible()
  await each?.('/house/pests')
  await tap(page, page.getByRole('radio', { name: 'Devices' }), 'tap')
  await press(page, 'New device')
  await page.getByRole('textbox', { name: 'The number on it' }).fill('1')
  await tap(page, page.getByRole('radio', { name: 'Light trap' }), 'tap')
  await page.getByRole('textbox', { name: 'Where', exact: true }).fill('Back')
  await tap(page, page.getByRole('radio', { name: 'middle' }), 'tap')
  await press(page, 'Save')
  await expect(page.getByRole('button', { name: '1: Light trap, Back' })).toBeVisible()
  await go(page, '/house/repairs?view=visits')
  await page.getByRole('textbox', { name: 'Which company' }).fill('Cold Works')
  await press(page, 'Plan a visit')
  await isAccessible(page)
  await each?.('/house/repairs?view=visits')
  await go(page, '/shift')
  await expect(page.getByText('Cold Works')).toBeVisible()
}
