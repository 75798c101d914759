import { go, isAccessible, press, settled, touch } from './crew.ts'
import { GenericCrew } from './generic-crew.ts'
import { expect, type Page } from './test.ts'

/** What a site in the United States reads, °F. */
export const usReads = { water: '86', 'heat-temperature': '122' }

/** The log of a first evening answers what it can, and says so where it cannot; what nobody measured is told and taken back. */
export async function looked(page: Page, each?: (where: string) => Promise<void>): Promise<void> {
  await go(page, '/log/trends')
  await expect(page.getByRole('heading', { name: 'How long does each machine take?' })).toBeVisible({
    timeout: 60_000,
  })
  await each?.('/log/trends')
  await isAccessible(page)
  await go(page, '/log/month')
  await expect(page.locator('.run').first()).toContainText('Sink Set up')
  await each?.('/log/month')
  // What nobody has taught yet is told so, and asked about from what was entered: in its units.
  await go(page, '/house/training')
  await expect(page.getByRole('heading', { name: 'What you ask before somebody works alone' })).toBeVisible()
  await each?.('/house/training')
  await isAccessible(page)
  await go(page, '/shift/training/check/sink.set-up')
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
  await go(page, '/shift/training/practice/sink.set-up?seed=4')
  await press(page, 'Begin')
  const crew = new GenericCrew(page)
  crew.keeps = 'I read this'
  if (each) crew.reads = usReads
  crew.waits = (over) => expect(over).toBeVisible({ timeout: 60_000 })
  crew.onStep = (_, key) => each?.(`practice ${key}`) ?? Promise.resolve()
  await crew.toTheEnd()
  await expect(page.getByRole('heading', { name: /^\d+ points\./ })).toBeVisible()
  await each?.('practice score')
  await go(page, '/log/case/new')
  await page.getByRole('textbox', { name: 'What happened' }).fill('rain through the roof')
  await press(page, 'Open a corrective action')
  await expect(page.getByText('Why did it happen?')).toBeVisible()
  await press(page, 'Take back')
  await expect(page).toHaveURL(/\/log\?day=/)
  await go(page, '/shift')
  await expect(page.getByRole('link', { name: /rain through the roof/ })).toHaveCount(0)
}

/** Something goes wrong on a site that nobody has told more than what stands there: food is judged in its units, and nothing stays closed. */
export async function wentWrong(page: Page, each?: (where: string) => Promise<void>): Promise<void> {
  await go(page, '/shift/wrong')
  await page.getByRole('radio', { name: 'No power' }).click()
  const hold = page.getByRole('button', { name: 'Hold: No power' })
  await settled(page)
  await hold.focus()
  await page.keyboard.down('Enter')
  await expect(page.getByRole('heading', { name: 'No power', level: 1 })).toBeVisible()
  await page.keyboard.up('Enter')
  await page.getByRole('textbox', { name: 'What food, and where?' }).fill('milk, counter fridge')
  await press(page, 'Another food')
  const milk = page.locator('li', { hasText: 'milk, counter fridge' })
  await milk
    .getByRole('textbox')
    .first()
    .fill(each ? '40' : '4')
  await milk.getByRole('radio', { name: 'It was cold throughout' }).click()
  await milk.getByRole('button', { name: 'Judge it' }).click()
  await expect(milk).toContainText('Cold so far. Read it again')
  await milk.getByRole('button', { name: 'Read it again' }).click()
  await milk
    .getByRole('textbox')
    .first()
    .fill(each ? '50' : '10')
  await milk.getByRole('radio', { name: 'Warm, nobody knows since when' }).click()
  await each?.('/shift/wrong')
  await milk.getByRole('button', { name: 'Judge it' }).click()
  await expect(milk).toContainText('Throw it out.')
  await milk.getByRole('button', { name: 'Thrown out' }).click()
  await isAccessible(page)
  await page.getByRole('textbox', { name: 'It was a false alarm' }).fill('somebody pulled the plug')
  await press(page, 'False alarm')
  await expect(page.getByText(/^False alarm, .* somebody pulled the plug$/)).toBeVisible()
  await go(page, '/shift/note')
  await page.getByLabel('What they must know').fill('the fridge was off for a minute')
  await press(page, 'Leave it')
  await go(page, '/shift')
  await expect(page.getByText('the fridge was off for a minute')).toBeVisible()
  await each?.('/shift')
}

/** A fridge of a site that began empty: read in its own units, and what is opened there gets its last day. */
export async function readCold(page: Page, each?: (where: string) => Promise<void>): Promise<void> {
  await go(page, '/shift/cold')
  await page.getByRole('link', { name: 'Enter it in House.' }).click()
  await press(page, 'Add machines')
  await press(page, 'One more: Fridge or chilled counter')
  await press(page, /^Add 1/)
  await expect(page.getByText('all sent')).toBeVisible()
  await go(page, '/shift/cold')
  const keys = each ? '38' : '3'
  await expect(page.getByRole('button', { name: /^Fridge/ })).toHaveAttribute('aria-pressed', 'true')
  const by = (name: string | RegExp) =>
    touch(page, page.getByRole('button', { name, exact: typeof name === 'string' }))
  for (const key of keys) await by(key)
  await by('Save to the log')
  // Nobody has named a thermometer: as wide as the code allows, it is cold all the same.
  await expect(page.getByRole('button', { name: /^Fridge/ })).toContainText(`${keys} ${each ? '°F' : '°C'}`)
  await each?.('/shift/cold')
  await go(page, '/shift/cold/delivery')
  await page.getByRole('textbox', { name: 'What', exact: true }).fill('cream')
  await page.getByRole('radio', { name: 'Yes' }).tap()
  const read = page.getByRole('textbox', { name: 'Its temperature' })
  await read.fill(each ? '45' : '8')
  await expect(page.getByText('Send it back')).toBeVisible()
  await each?.('/shift/cold/delivery')
  await read.fill(keys)
  await by('Taken')
  await go(page, '/shift/cold/opened')
  await by('cream')
  await by('Opened')
  await expect(page.locator('li', { hasText: 'cream' })).toContainText('Use by')
  await each?.('/shift/cold/opened')
}
