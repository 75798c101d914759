import type { Page } from '@playwright/test'
import { control } from './control.ts'
import { address, enrol, go, isAccessible, press, signIn } from './crew.ts'
import { GenericCrew } from './generic-crew.ts'
import { beginsAnew, expect, longTest, test } from './test.ts'

test.use({ hasTouch: true })
beginsAnew()

const bucket = 'Sanitizer bucket: Fill the sanitizer bucket'
const row = (page: Page) => page.locator('.card li', { hasText: bucket })

/** Begins the run of a bucket and works it to its end. @param before once it is begun. */
async function fillBucket(page: Page, station: string, before: () => Promise<void>): Promise<void> {
  await go(page, '/run')
  await page
    .locator('.chooser li', { hasText: station })
    .getByRole('button', { name: /Fill the sanitizer bucket/ })
    .tap()
  await expect(page).toHaveURL(/\/run\/[0-9a-f-]{36}$/)
  await before()
  await new GenericCrew(page).toTheEnd()
  await expect(page.getByRole('heading', { name: 'Finished' })).toBeVisible()
  await expect(page.getByText('all sent')).toBeVisible()
}

/** Somebody new chooses a PIN of their own, by what the front door sends. */
async function newcomer(page: Page, pin: string): Promise<void> {
  await enrol(page)
  const data = { site: 'gannet', person: 'sorrel', pin, newPin: '9046', device: 'browser-test' }
  const answer = await page.request.post(address('/api/session/pin'), { data })
  expect(answer.ok(), await answer.text()).toBe(true)
  await page.goto(address('/shift'))
  await expect(page.getByRole('button', { name: /^Acting: Sorrel/ })).toBeVisible({ timeout: 30_000 })
}

/** Answers the questions that are shown, right or wrong. */
async function answer(page: Page, isRight: (n: number) => boolean): Promise<void> {
  await expect(page.locator('.answers button').first()).toBeVisible()
  const right = JSON.parse(await control('answers')) as number[]
  for (const [n, place] of right.entries()) {
    await expect(page.getByText(`${n + 1} of ${right.length}`)).toBeVisible()
    const chosen = isRight(n) ? place : place === 0 ? 1 : 0
    await page.locator('.answers button').nth(chosen).tap()
    await press(page, n === right.length - 1 ? 'Finish' : 'Next')
  }
}

longTest('somebody new: from looking on to signed off on one machine', async ({ page, browser }) => {
  test.setTimeout(240_000)
  const other = async () => (await browser.newContext({ hasTouch: true })).newPage()

  // A manager asks for one run under somebody's eyes, and enters somebody who learns everything.
  await signIn(page, 'Oriel', '9080', '/house/training')
  await expect(
    page.getByRole('heading', { name: 'What too few may do alone, the next four weeks' }),
  ).toBeVisible()
  await isAccessible(page)
  await page.getByLabel('Times with somebody by').fill('1')
  await press(page, 'Save')
  await go(page, '/house/people')
  await press(page, 'Add somebody')
  await page.getByLabel('Name', { exact: true }).fill('Sorrel')
  const pin = await page.getByLabel('PIN for the first sign-in').inputValue()
  await page.getByRole('radio', { name: /^nothing yet/ }).tap()
  await press(page, 'Add')
  await expect(page.getByText(`Sorrel: ${pin}`)).toBeVisible()

  // Who may do it alone does it, and Sorrel looks on.
  const bao = await other()
  await signIn(bao, 'Bao', '2468')
  await fillBucket(bao, 'Espresso cloths', async () => {
    await press(bao, 'Somebody looks on')
    await bao.getByRole('dialog').getByRole('button', { name: 'Sorrel' }).tap()
    await expect(bao.getByText('Sorrel looks on.')).toBeVisible()
    await expect(bao.getByRole('dialog')).toHaveCount(0)
  })

  // Sorrel does it; Ines stays by, and says so with her own PIN.
  const sorrel = await other()
  await newcomer(sorrel, pin)
  await fillBucket(sorrel, 'Galley cloths', async () => {
    await press(sorrel, 'Somebody stays by me')
    const dialog = sorrel.getByRole('dialog')
    await isAccessible(sorrel)
    // Who may do it alone and is on shift stands there already.
    await expect(dialog.getByText('Ines', { exact: true })).toBeVisible()
    for (const digit of '0000') await dialog.getByRole('button', { name: digit, exact: true }).tap()
    await dialog.getByRole('button', { name: 'I stay by' }).tap()
    await expect(dialog.getByRole('alert')).toContainText('PIN')
    for (const digit of '4711') await dialog.getByRole('button', { name: digit, exact: true }).tap()
    await dialog.getByRole('button', { name: 'I stay by' }).tap()
    await expect(sorrel.getByText('Ines stays by you.')).toBeVisible()
    await expect(dialog).toHaveCount(0)
  })

  // The questions: failed once, with reasons, then passed.
  await go(sorrel, '/shift')
  await sorrel.getByRole('link', { name: 'Training' }).tap()
  await expect(row(sorrel)).toContainText('1 of 1')
  await isAccessible(sorrel)
  await row(sorrel).getByRole('link', { name: 'Answer the questions' }).tap()
  await answer(sorrel, (n) => n > 1)
  await expect(sorrel.getByRole('heading', { name: /^8 of 10 right\. 90 % pass/ })).toBeVisible()
  await expect(sorrel.getByText(/^Right is:/)).toHaveCount(2)
  await isAccessible(sorrel)
  await press(sorrel, 'New questions')
  await answer(sorrel, () => true)
  await expect(sorrel.getByRole('heading', { name: '10 of 10 right. Passed.' })).toBeVisible()

  // Nobody signs themselves off; a lead does, on the card.
  await go(sorrel, '/shift/training')
  await expect(row(sorrel).getByRole('button', { name: 'Sign off' })).toHaveCount(0)
  const ines = await other()
  await signIn(ines, 'Ines', '4711', '/house/training')
  await ines.getByRole('link', { name: /^Sorrel/ }).tap()
  await expect(row(ines)).toContainText('Everything is shown')
  await row(ines).getByRole('button', { name: 'Sign off' }).tap()
  const dialog = ines.getByRole('dialog')
  for (const digit of '4711') await dialog.getByRole('button', { name: digit, exact: true }).tap()
  await dialog.getByRole('button', { name: 'Sign off' }).tap()
  await expect(row(ines)).toContainText(/May do alone, until 2\d Nov 2027/)
  await expect(row(ines)).toContainText(/signed off by Ines, 2\d Nov 2026/)

  // From now on nobody has to stay by; and the log tells all of it.
  await go(sorrel, '/run')
  await sorrel
    .locator('.chooser li', { hasText: 'Espresso cloths' })
    .getByRole('button', { name: /Fill the sanitizer bucket/ })
    .tap()
  await expect(sorrel).toHaveURL(/\/run\/[0-9a-f-]{36}$/)
  await expect(sorrel.locator('section.step')).toBeVisible()
  await expect(sorrel.getByText('You are learning this')).toHaveCount(0)

  // One tap calls for help: it reaches the lead wherever they are, and who comes is told.
  await press(sorrel, 'Call for help')
  await expect(sorrel.getByText(/^Help is called, /)).toBeVisible()
  await expect(sorrel.getByRole('button', { name: 'Call for help' })).toHaveCount(0)
  const call = ines
    .getByRole('alert')
    .filter({ hasText: /^Sorrel calls for help, .*Espresso cloths: Mix the bucket/ })
  await expect(call).toBeVisible()
  await isAccessible(ines)
  await call.getByRole('button', { name: 'I am coming' }).tap()
  await expect(ines).toHaveURL(/\/run\//)
  await expect(sorrel.getByText('Ines is coming')).toBeVisible()
  await go(ines, '/log/entries')
  await expect(ines.getByText('Came to help')).toBeVisible()
  await expect(ines.getByText(/Sorrel may do alone until .*: Fill the sanitizer bucket/)).toBeVisible()
  await expect(ines.getByText('Stood by while Sorrel learned: Fill the sanitizer bucket')).toBeVisible()

  // Answers are not left behind by a stray tap.
  await go(sorrel, '/shift/training/check/bucket.change')
  await sorrel.locator('.answers button').first().tap()
  await sorrel.getByRole('link', { name: 'Log', exact: true }).tap()
  const sure = sorrel.getByRole('dialog', { name: 'Leave the questions? Nothing of them is kept.' })
  await sure.getByRole('button', { name: 'Go on' }).tap()
  await expect(sorrel).toHaveURL(/\/check\/bucket.change$/)

  // A lead finds the work wanting: it is to be shown again.
  await go(ines, '/house/card/sorrel')
  await row(ines).getByRole('button', { name: 'End the sign-off' }).tap()
  await ines.getByRole('textbox', { name: 'What was it?' }).fill('no strip read')
  await isAccessible(ines)
  await press(ines, 'Take the sign-off back')
  await expect(row(ines)).toContainText(/Ended .* by Ines: the work was not good enough\. no strip read/)
  await expect(row(ines)).toContainText('Still to show')
})

test('two minutes before the shift: what went wrong lately is told, and who heard it is in the log', async ({
  page,
}) => {
  await signIn(page, 'Ines', '4711')
  await page.getByRole('link', { name: 'Two minutes for the crew' }).tap()
  const lesson = page.locator('article h2')
  await expect(lesson).toBeVisible()
  await isAccessible(page)
  const told = await lesson.innerText()
  // Nobody is there until somebody says so.
  await expect(page.getByRole('button', { name: 'They heard it' })).toBeDisabled()
  await page.getByRole('button', { name: 'Noor' }).tap()
  await press(page, 'They heard it')
  await expect(page.getByText(`: ${told}. Here were Noor.`)).toBeVisible()
  // It is not told again, and it is found in the log.
  await expect(lesson).not.toHaveText(told)
  await expect(page.getByText('all sent')).toBeVisible()
  await go(page, '/log/entries')
  await expect(page.getByText(`Two minutes for the crew: ${told}. Heard by Noor`)).toBeVisible()
})
