import { address, isAccessible, press } from './crew.ts'
import { GenericCrew } from './generic-crew.ts'
import { expect, type Page } from './test.ts'

/** What a site in the United States reads, °F. */
export const usReads = { water: '86', 'heat-temperature': '122' }

/** The log of a first evening answers what it can, and says so where it cannot; what nobody measured is told and taken back. */
export async function looked(page: Page, each?: (where: string) => Promise<void>): Promise<void> {
  await page.goto(address('/log/trends'))
  await expect(page.getByRole('heading', { name: 'How long does each machine take?' })).toBeVisible({
    timeout: 60_000,
  })
  await each?.('/log/trends')
  await isAccessible(page)
  await page.goto(address('/log/month'))
  await expect(page.locator('.run').first()).toContainText('Sink Set up')
  await each?.('/log/month')
  // What nobody has taught yet is told so, and asked about from what was entered: in its units.
  await page.goto(address('/house/training'))
  await expect(page.getByRole('heading', { name: 'What you ask before somebody works alone' })).toBeVisible()
  await each?.('/house/training')
  await isAccessible(page)
  await page.goto(address('/shift/training/check/sink.set-up'))
  const answers = page.locator('.answers button')
  for (let n = 0; n < 10 && (await page.locator('.marked').count()) === 0; n++) {
    await expect(page.getByText(new RegExp(`^${n + 1} of \\d+$`))).toBeVisible()
    await each?.(`question ${n + 1}`)
    await answers.first().click()
    await press(page, /^(Next|Finish)$/)
  }
  await expect(page.getByRole('heading', { name: /^\d+ of \d+ right\./ })).toBeVisible()
  await each?.('what was not right')
  // It is practised on a sink that is only drawn, by the same products and strips.
  await page.goto(address('/shift/training/practice/sink.set-up?seed=4'))
  await press(page, 'Begin')
  const crew = new GenericCrew(page)
  crew.keeps = 'I read this'
  if (each) crew.reads = usReads
  crew.waits = (over) => expect(over).toBeVisible({ timeout: 60_000 })
  crew.onStep = (_, key) => each?.(`practice ${key}`) ?? Promise.resolve()
  await crew.toTheEnd()
  await expect(page.getByRole('heading', { name: /^\d+ points\./ })).toBeVisible()
  await each?.('practice score')
  await page.goto(address('/log/case/new'))
  await page.getByRole('textbox', { name: 'What happened' }).fill('rain through the roof')
  await press(page, 'Open a corrective action')
  await expect(page.getByText('Why did it happen?')).toBeVisible()
  await press(page, 'Take back')
  await expect(page).toHaveURL(/\/log\?day=/)
  await page.goto(address('/shift'))
  await expect(page.getByRole('link', { name: /rain through the roof/ })).toHaveCount(0)
}
