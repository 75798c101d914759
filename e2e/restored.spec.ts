import { bucketWithTimer, go, signIn, signInByHand } from './crew.ts'
import { control } from './control.ts'
import { beginsAnew, expect, test } from './test.ts'

beginsAnew()

test.use({ hasTouch: true })

test('a tablet tells when the server was restored from an older backup, and sends again what is missing there', async ({
  page,
}) => {
  // By hand: so the tablet signs in by the name that it has for itself, and its passes are for it.
  await signInByHand(page, 'Wen', '8642')
  await control('keep')
  await bucketWithTimer(page)
  await expect(page.getByText('all sent')).toBeVisible()
  const run = new URL(page.url()).pathname

  await control('back')
  // Everybody signs in again.
  await page.reload()
  await signIn(page, 'Oriel', '9080', '/log/entries')
  const lost = page.getByRole('alert').filter({ hasText: 'is no longer in the server’s log' })
  await expect(lost).toBeVisible()
  await expect(page.getByText('all sent')).toBeVisible()
  await expect(page.locator('li', { hasText: 'sent after the session had ended' }).first()).toBeVisible()
  await go(page, run)
  await expect(page.locator('.timer')).toBeVisible()
  await lost.getByRole('button', { name: 'Dismiss' }).tap()
  await expect(lost).toHaveCount(0)
})
