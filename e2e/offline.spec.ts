import type { Page } from '@playwright/test'
import { address, bucketWithTimer, enrol, heading, press, signIn } from './crew.ts'
import { beginsAnew, expect, test } from './test.ts'

beginsAnew()

test.use({ hasTouch: true, serviceWorkers: 'allow' })

/** The application lies on this tablet now, and so does what it knows of the site. */
async function isKept(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true))
  // Who asks for the store finds it made; a store that is empty yet has no state of the site.
  await page.waitForFunction(
    () =>
      new Promise((told) => {
        const asked = indexedDB.open('tadka')
        asked.onsuccess = () => {
          const db = asked.result
          if (!db.objectStoreNames.contains('upTo')) return told(false)
          const found = db.transaction('upTo').objectStore('upTo').get('states')
          found.onsuccess = () => told(found.result !== undefined)
        }
      }),
  )
}

test('in a cellar a tablet that is started anew goes on: the same person, the same timer; what is done is sent later', async ({
  page,
  context,
}) => {
  await signIn(page, 'Wen', '8642')
  await bucketWithTimer(page)
  await expect(page.locator('.timer')).toBeVisible()
  await expect(page.getByText('all sent')).toBeVisible()
  const run = new URL(page.url()).pathname
  await isKept(page)

  await context.setOffline(true)
  await page.close()
  const again = await context.newPage()
  await again.goto(address(run))
  await expect(again.locator('.timer')).toBeVisible()
  await expect(again.getByRole('button', { name: /^Acting: Wen/ })).toBeVisible()
  await expect(again.getByRole('status').filter({ hasText: 'No connection.' })).toBeVisible()
  // And a second tab beside it, at another place.
  const beside = await context.newPage()
  await beside.goto(address('/house/people'))
  await expect(beside.getByText('Oriel')).toBeVisible()
  await beside.close()
  await press(again, 'Pause: serving customers')
  await expect(again.getByRole('heading', { name: 'Paused while you serve' })).toBeVisible()
  await expect(again.getByText('1 not sent yet')).toBeVisible()

  // What it is, since when and why; another tab knows of it too.
  await press(again, /^Acting: Wen/)
  await again.getByRole('link', { name: '1 not sent yet: see why' }).tap()
  await heading(again, 'Not sent yet')
  await expect(again.getByText('The server does not answer.')).toBeVisible()
  await expect(again.getByRole('listitem').filter({ hasText: 'Wen' })).toHaveCount(1)
  const third = await context.newPage()
  await third.goto(address('/log/unsent'))
  await expect(third.getByRole('listitem').filter({ hasText: 'Wen' })).toHaveCount(1)

  await again.close()
  const last = await context.newPage()
  await last.goto(address(run))
  await expect(last.getByRole('heading', { name: 'Paused while you serve' })).toBeVisible()
  await expect(last.getByText('1 not sent yet')).toBeVisible()
  await context.setOffline(false)
  await expect(last.getByText('all sent')).toBeVisible()
  await expect(third.getByText('Everything is sent.')).toBeVisible()
})

test('a tablet that has not seen the site yet says so without network, and goes on by itself', async ({
  page,
  context,
}) => {
  await enrol(page)
  await page.goto(address('/sign-in'))
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true))
  await context.setOffline(true)
  await page.goto(address('/shift'))
  await heading(page, 'No connection yet')
  await context.setOffline(false)
  await expect(page.getByText('Pick your name').first()).toBeVisible()
})
