import { go, isAccessible, press, settled, tap } from './crew.ts'
import { GenericCrew } from './generic-crew.ts'
import { expect, type Page } from './test.ts'

/** Bad water on a site that began empty: once it is good again the sink is flushed before anything else is worked at it, its time waited out. */
export async function badWater(page: Page, each?: (where: string) => Promise<void>): Promise<void> {
  const kind = 'Water unsafe: boil notice'
  await go(page, '/shift/wrong')
  await page.getByRole('radio', { name: kind }).click()
  const hold = page.getByRole('button', { name: `Hold: ${kind}` })
  await settled(page)
  await hold.focus()
  await page.keyboard.down('Enter')
  await expect(page.getByRole('heading', { name: kind, level: 1 })).toBeVisible()
  await page.keyboard.up('Enter')
  // A fridge needs no water.
  const out = page.locator('.takes + p')
  await expect(out).toContainText('Sink')
  await expect(out).not.toContainText('Fridge')
  await press(page, 'The notice is lifted')
  const list = page.url()
  const flush = page.locator('li', { hasText: 'Sink: Flush once water is back' })
  const setUp = page.locator('li', { hasText: 'Sink: Set up' })
  await tap(page, setUp.getByRole('button', { name: 'Begin' }))
  await expect(page.getByText(/^Its lines have not been flushed/)).toBeVisible()
  await isAccessible(page)
  await each?.('not flushed')
  await press(page, 'Start: Flush once water is back')
  await expect(page).toHaveURL(/\/run\/[0-9a-f-]{36}$/)
  const crew = new GenericCrew(page)
  if (each) crew.onStep = (_, key) => each(`flush ${key}`)
  await crew.toTheEnd()
  await expect(page.getByRole('heading', { name: 'Finished' })).toBeVisible()
  await go(page, new URL(list).pathname)
  await expect(flush).toHaveClass(/done/)
  await expect(setUp).not.toHaveClass(/done/)
  await expect(page.getByRole('button', { name: 'Bring back and sign' })).toHaveCount(0)
  await each?.('the list')
}
