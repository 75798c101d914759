import { expect, type CDPSession, type Locator, type Page } from '@playwright/test'
import { counts, later, settled } from './crew.ts'

/** What a finger does to each thing it touches. */
export type Finger =
  /** One clean tap. */
  | 'tap'
  /** Two taps in quick succession. */
  | 'twice'
  /** Pressed, held for long after what it was for has happened, then lifted. */
  | 'hold'

/** A crew member who knows nothing but what stands on the screen, and works a run to its end by touch. */
export class GenericCrew {
  readonly page: Page
  readonly finger: Finger
  #touch: CDPSession | null = null
  /** Ends each contact time early once, and is shown what that means. */
  hasty = false
  /** Called when a contact time was ended early. */
  onCut: (key: string) => Promise<void> = () => Promise.resolve()
  /** Steps worked, by key, in order. */
  readonly worked: string[] = []
  /** What is read by field, where it is not what a metric site reads. */
  reads: Readonly<Record<string, string>> = {}
  /** Lets the time of a wait pass that is under way, until it may be said to be over. */
  waits: (over: Locator) => Promise<void> = async () => {
    await expect(this.page.getByText('all sent')).toBeVisible()
    await later(this.page, 181)
  }
  /** What a reading is kept by. */
  keeps = 'Save to the log'
  /** Works a step itself, where it is worked otherwise than others do; true where it was. */
  instead: (kind: string, key: string) => Promise<boolean> = () => Promise.resolve(false)
  /** Called at each step as it is first shown. */
  onStep: (kind: string, key: string) => Promise<void> = () => Promise.resolve()

  constructor(page: Page, finger: Finger = 'tap') {
    this.page = page
    this.finger = finger
  }

  async #cdp(): Promise<CDPSession> {
    this.#touch ??= await this.page.context().newCDPSession(this.page)
    return this.#touch
  }

  settled = () => settled(this.page)

  async middle(target: Locator): Promise<{ x: number; y: number }> {
    await target.scrollIntoViewIfNeeded()
    const box = await target.boundingBox()
    if (!box) throw new Error('nothing to touch')
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  }
  async #down(target: Locator): Promise<void> {
    const touchPoints = [await this.middle(target)]
    await (await this.#cdp()).send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints })
  }
  async #up(): Promise<void> {
    await (await this.#cdp()).send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
  }

  /** Touches a control the way this finger does. @param once where a second touch would be a second answer that is meant. */
  async touch(target: Locator, once = false): Promise<void> {
    await this.settled()
    // On a quick machine the press before may be so near that another at its place is its echo.
    await counts(this.page)
    await expect(target).toBeEnabled()
    if (this.finger === 'hold' && !once) {
      await this.#down(target)
      // Longer than any step takes to change, by the page's own frames; then lifted from whatever has come under it.
      await this.page.evaluate(
        () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
      )
      await this.#up()
      return
    }
    await this.tap(await this.middle(target), this.finger === 'twice' && !once ? 2 : 1)
  }

  /** Taps at one place so many times, a tenth of a second apart by the glass, whatever stands there by then. */
  async tap(point: { x: number; y: number }, times: number, first = Date.now() / 1000): Promise<void> {
    const cdp = await this.#cdp()
    for (let n = 0; n < times; n++) {
      const at = first + n * 0.13
      await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [point], timestamp: at })
      await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [], timestamp: at + 0.001 })
    }
  }

  /** Holds a hazardous control until it has given way, and lifts only then: what comes under the finger must not be pressed. */
  async hold(target: Locator, gone: () => Promise<void>): Promise<void> {
    await this.settled()
    await this.#down(target)
    await gone()
    await this.#up()
  }

  readonly step = () => this.page.locator('section.step')
  readonly key = () => this.step().getAttribute('data-step')

  /** Waits until another step, or the end, is shown. */
  async #next(key: string): Promise<void> {
    await expect
      .poll(async () => ((await this.step().count()) === 0 ? 'ended' : await this.key()), { timeout: 15_000 })
      .not.toBe(key)
  }

  /** Works the run that is on the screen to its end. */
  async toTheEnd(most = 400): Promise<void> {
    for (let i = 0; i < most; i++) {
      if (!(await this.oneStep())) return
    }
    throw new Error('the run never ends')
  }

  /** Works the step at hand; false where the run has ended. */
  async oneStep(): Promise<boolean> {
    await expect(this.page.locator('section.step, .ended, .stopped, .score').first()).toBeVisible()
    if ((await this.step().count()) === 0) return false
    const key = (await this.key()) ?? ''
    const kind = (await this.step().getAttribute('data-kind')) ?? ''
    this.worked.push(key)
    // No braces, no empty step: whatever stands here can be read.
    const text = await this.step().innerText()
    expect(text, key).not.toMatch(/[{}]/)
    expect((await this.page.locator('section.step h1').innerText()).trim(), key).not.toBe('')
    await this.onStep(kind, key)
    if (!(await this.instead(kind, key))) await this.#work(kind, key)
    // A wait may leave its lane for another, or come back to it.
    if (kind !== 'wait' && kind !== 'tend') await this.#next(key)
    else await this.settled()
    return true
  }

  async #work(kind: string, key: string): Promise<void> {
    const button = (name: string | RegExp) =>
      this.step().getByRole('button', { name, exact: typeof name === 'string' })
    switch (kind) {
      case 'sign':
        return this.touch(button('Yes'))
      case 'gate': {
        const held = button('Hold to confirm')
        if ((await held.count()) === 0) return this.touch(button('Confirm'))
        return this.hold(held, () => this.#next(key))
      }
      case 'mix':
        return this.touch(button('Poured'))
      case 'wait':
      case 'tend':
        return this.#waitOut(key)
      case 'parts':
        return this.#count()
      case 'inspect':
        return this.touch(this.step().locator('.inspect .fine').first())
      case 'check':
        return this.#read()
      case 'read':
        await this.step().getByRole('textbox').fill('5')
        return this.touch(button('Done'))
      case 'product':
        await this.page.locator('#litres').fill('1')
        return this.touch(button('Done'))
      default:
        await this.#spare()
        return this.touch(button('Done'))
    }
  }

  /** Where something is built in, says which it was: the first on the shelf. */
  async #spare(): Promise<void> {
    const list = this.step().locator('.spare .n-base-selection')
    if ((await list.count()) === 0) return
    await this.touch(list, true)
    await this.touch(this.page.locator('.n-base-select-option').first(), true)
  }

  /** Starts the timer; where another lane is free it comes next, else the clock is moved on and the wait is over. */
  async #waitOut(key: string): Promise<void> {
    const start = this.step().getByRole('button', { name: 'Start the timer', exact: true })
    const over = this.step().getByRole('button', { name: 'Done', exact: true })
    await expect(start.or(this.step().getByRole('timer')).first()).toBeVisible()
    if ((await start.count()) > 0) {
      await this.touch(start)
      // The timer stands on this lane, or another lane has come to the front.
      await expect
        .poll(async () => (await this.key()) !== key || (await start.count()) === 0, { timeout: 15_000 })
        .toBe(true)
      if ((await this.key()) !== key) return
    }
    const early = this.step().getByRole('button', { name: 'It ended too early' })
    if (this.hasty && (await early.count()) > 0) {
      await this.touch(early, true)
      await this.touch(this.step().getByRole('button', { name: 'Yes, it ended now' }), true)
      await expect(this.step().getByText(/^Contact .* of .*\. Not sanitized\.$/)).toBeVisible()
      await expect(over).toBeHidden()
      await this.onCut(key)
      await this.touch(this.step().getByRole('button', { name: 'Start the timer again' }), true)
      if ((await this.key()) !== key) return
    }
    if ((await over.count()) === 0) {
      await this.waits(over)
      await expect(this.step()).toBeVisible()
      if ((await this.key()) !== key) return
      await expect(over).toBeVisible()
    }
    await this.touch(over)
  }

  async #count(): Promise<void> {
    for (const part of await this.step().locator('.parts li').all()) {
      const up = part.locator('.up')
      for (let n = 0; n < 80; n++) {
        const full = await part.evaluate((li) => li.classList.contains('full'))
        if (full) break
        const before = await part.locator('.count').innerText()
        await this.touch(up)
        await expect(part.locator('.count')).not.toHaveText(before)
        // The same control again: the moment of a double tap is over first.
        await counts(this.page)
      }
    }
    await this.touch(this.step().getByRole('button', { name: /^All \d+ counted$/ }))
  }

  /** Reads what is asked so that it is in: the block whose verdict is in, numbers in the middle of their limits. */
  async #read(): Promise<void> {
    const step = this.step()
    const fields: Record<string, string> = {
      water: '30',
      hardness: '100',
      temperature: '3',
      'heat-wash': '68',
      'heat-rinse': '84',
      'heat-pressure': '130',
      'heat-surface': '74',
      'heat-temperature': '50',
      'heat-seconds': '40',
      'heat-product': '3',
      ...this.reads,
    }
    for (const [id, value] of Object.entries(fields)) {
      const field = step.locator(`#${id}`)
      if ((await field.count()) > 0) await field.fill(value)
    }
    for (const input of await step.locator('input.figure-input, .cold input').all())
      if ((await input.inputValue()) === '') await input.fill('3')
    const ph = step.getByRole('radio', { name: 'matches 7 pH' })
    if ((await ph.count()) > 0) await this.touch(ph, true)
    const blocks = step.getByRole('radio', { name: /^matches \d+ ppm$/ })
    const keep = step.getByRole('button', { name: this.keeps })
    const passed = step.locator('.large', { hasText: /^In( range)?$/ })
    for (const block of await blocks.all()) {
      await this.touch(block, true)
      if ((await passed.count()) > 0) break
    }
    await expect(passed).toBeVisible()
    await this.touch(keep)
  }
}
