import { randomUUID } from 'node:crypto'
import AxeBuilder from '@axe-core/playwright'
import { expect, type Locator, type Page } from '@playwright/test'
import { control } from './control.ts'

export const address = (path = '/') => `${process.env['TADKA_URL']}${path}`

/**
 * Moves the server's clock on; tablets learn it from the next answer, here by a reload. What was done before has to have come in:
 * of what is on its way while the clock jumps, nobody could say when it was.
 */
export async function later(page: Page, minutes: number): Promise<void> {
  await expect(page.getByText('all sent')).toBeVisible()
  await control(String(minutes))
  await page.reload()
}

export const restartServer = () => control('restart')

interface Mounted {
  readonly __vue_app__?: { readonly config: { readonly globalProperties: { readonly $router: Router } } }
}
interface Router {
  readonly push: (path: string) => Promise<unknown>
}

/**
 * Goes to a place of the application. Where it is open already it goes there without loading everything anew, as a person does who
 * presses the dock: loading it takes a small machine seconds.
 */
export async function go(page: Page, path: string): Promise<void> {
  const isOpen = page.url().startsWith(address('/')) && new URL(page.url()).pathname !== '/sign-in'
  if (!isOpen) return void (await page.goto(address(path)))
  await page.evaluate(async (to) => {
    const { __vue_app__: app } = document.querySelector('#app') as unknown as Mounted
    await app?.config.globalProperties.$router.push(to)
  }, path)
}

/** Makes this browser a tablet of the site, as it was once on every tablet. */
export async function enrol(page: Page): Promise<void> {
  const held = await page.context().cookies()
  if (held.some((c) => c.name === 'tadka_tablet')) return
  const data = { code: await control('code'), device: `tab-${randomUUID()}`, name: 'Galley tablet' }
  const answer = await page.request.post(address('/api/tablets/enrol'), { data })
  expect(answer.ok(), await answer.text()).toBe(true)
}

/** Opens the front door of a tablet. */
export async function atDoor(page: Page): Promise<void> {
  await enrol(page)
  await page.goto(address())
}

/** Waits until the place of a run has come, which is asked for ahead: from then on one may be begun without network. */
export const hasRunPlace = (page: Page) =>
  page.waitForFunction(() =>
    performance.getEntriesByType('resource').some((e) => /RunPlace.*js/.test(e.name)),
  )

/** Signs in the way a person does, at the front door. */
export async function signInByHand(page: Page, name: string, pin: string): Promise<void> {
  await atDoor(page)
  await page.getByRole('button', { name: new RegExp(name) }).click()
  for (const digit of pin) await page.getByRole('button', { name: digit, exact: true }).click()
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await isOnShift(page, name)
}

/** Signs in by what the front door sends, for tests of what comes after it, and opens a place: Shift, as the door does, or another. */
export async function signIn(page: Page, name: string, pin: string, path = '/shift'): Promise<void> {
  await alsoSignsIn(page, name, pin)
  await page.goto(address(path))
  if (path === '/shift') await isOnShift(page, name)
  else await isActing(page, name)
}

/** One more person on this tablet; the page learns it when it is loaded again. */
export async function alsoSignsIn(page: Page, name: string, pin: string): Promise<void> {
  await enrol(page)
  const data = { site: 'gannet', person: name.toLowerCase(), pin, device: 'browser-test' }
  const answer = await page.request.post(address('/api/session/pin'), { data })
  expect(answer.ok(), await answer.text()).toBe(true)
}

/** Who acts is shown only once the server has answered. */
const isActing = (page: Page, name: string) =>
  expect(page.getByRole('button', { name: new RegExp(`^Acting: ${name}`) })).toBeVisible()

async function isOnShift(page: Page, name: string): Promise<void> {
  await isActing(page, name)
  await expect(page).toHaveURL(/\/shift$/)
  // Crew of a shift that is planned see their own evening.
  await expect(page.getByRole('heading', { name: /Gannet Terminal|, your shift$/ })).toBeVisible()
}

/** Waits until the screen answers to presses again: after a step changed it rests for a moment. */
export const settled = (page: Page) => without(page, 'data-resting')

/** Waits until a second tap at the same place is no echo of the first. */
export const counts = (page: Page) => without(page, 'data-pressed')

/** Waits until a mark is gone from the page, looking often: most are there for a moment only. */
async function without(page: Page, ...marks: string[]): Promise<void> {
  await page.waitForFunction(
    (all) => all.every((mark) => !document.documentElement.hasAttribute(mark)),
    marks,
    { polling: 25 },
  )
}

export async function press(page: Page, name: string | RegExp): Promise<void> {
  const button = page.getByRole('button', { name, exact: typeof name === 'string' })
  // A press on what has just changed is not taken: who presses waits for it, as a person does.
  await button.waitFor()
  await tap(page, button)
}

/**
 * Presses something, and again where the press was refused: what stands there changed under the finger, as when an answer of the
 * server comes at that moment. A person presses again; a press that counted is never made twice.
 */
export async function tap(page: Page, control: Locator, by: 'click' | 'tap' = 'click'): Promise<void> {
  const refused = () => page.locator('html').getAttribute('data-refused')
  for (let tries = 0; tries < 5; tries++) {
    // At rest after a change; and no second tap at this place would be the first one's echo.
    await without(page, 'data-resting', 'data-pressed')
    const before = await refused()
    await control[by]()
    if ((await refused()) === before) return
  }
  throw new Error('a press was refused again and again')
}

/** The same with a finger. */
export async function touch(page: Page, control: Locator): Promise<void> {
  await control.waitFor()
  await tap(page, control, 'tap')
}

/** Chooses one of a few: a block of a strip, a gap between two. */
export async function pick(page: Page, name: string): Promise<void> {
  const choice = page.getByRole('radio', { name, exact: true })
  await choice.waitFor()
  await tap(page, choice)
}

/** Chooses where a reading is taken: nothing is preselected that decides where it is filed. */
export async function chooseStation(page: Page, name: string): Promise<void> {
  await page.locator('.check .entry .n-select').first().click()
  await page.locator('.n-base-select-option', { hasText: name }).click()
}

export const heading = (page: Page, title: string | RegExp) =>
  expect(page.getByRole('heading', { name: title, level: 1 })).toBeVisible()

/** Holds a hazardous gate by keyboard until it gives way to the next step. */
export async function hold(page: Page, next: string | RegExp): Promise<void> {
  const gate = page.getByRole('button', { name: 'Hold to confirm' })
  await gate.waitFor()
  await settled(page)
  await gate.focus()
  await page.keyboard.down('Enter')
  await heading(page, next)
  await page.keyboard.up('Enter')
}

/** Counts every part of a tray, piece by piece. */
export async function countParts(page: Page): Promise<void> {
  await page.locator('.parts li').first().waitFor()
  for (const part of await page.locator('.parts li').all()) {
    const [, pieces = '0'] = /(?:of|have) (\d+)/.exec(await part.locator('.count').innerText()) ?? []
    for (let n = 1; n <= Number(pieces); n++) {
      await tap(page, part.locator('.up'))
      await expect(part.locator('.count')).toHaveText(new RegExp(`^${n} (of|counted)`))
    }
  }
  await press(page, /^All \d+ counted$/)
}

/**
 * axe finds nothing on this page. @param what contrast alone where only the colours differ from what was looked at before, or all
 * but it where only the layout does: contrast takes axe the longest.
 */
export async function isAccessible(page: Page, what: 'all' | 'contrast' | 'layout' = 'all'): Promise<void> {
  // A list that is just closing is no part of the page.
  await expect(page.locator('.n-base-select-menu:visible')).toHaveCount(0)
  // What is still fading in or out has no colours to look at yet.
  await page.waitForFunction(() =>
    document
      .getAnimations()
      .every((a) => a.playState !== 'running' || a.effect?.getComputedTiming().iterations === Infinity),
  )
  // No frames of other origins: axe need not open a page of its own to gather what they found.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  if (what === 'contrast') axe.withRules(['color-contrast'])
  if (what === 'layout') axe.disableRules(['color-contrast'])
  const found = async () => {
    const { violations } = await axe.analyze()
    return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)
  }
  const shown = () => page.locator('.n-message').count()
  let before = await shown()
  let faults = await found()
  // A message that faded away while axe looked has no colours: without it the page is looked at again.
  while (faults.length > 0 && (await shown()) < before) {
    before = await shown()
    faults = await found()
  }
  expect(faults).toEqual([])
}

/** Begins a bucket of sanitizer on the espresso bar, as far as its timer: a run that is under way. */
export async function bucketWithTimer(page: Page): Promise<void> {
  await go(page, '/run')
  await page
    .locator('li', { hasText: 'Espresso cloths' })
    .getByRole('button', { name: 'Fill the sanitizer bucket' })
    .click()
  await press(page, '50 mL beaker')
  await press(page, 'Poured')
  await press(page, 'Start the timer')
}
