import { boxFaults, screens } from './boxes.ts'
import { address, enrol, press, signIn } from './crew.ts'
import { places, visit } from './places.ts'
import { beginsAnew, expect, isLong, test } from './test.ts'

beginsAnew()

test.use({ hasTouch: true })

/** The largest and the smallest; what is between them too, with `--long`. */
const looked = isLong ? [...screens] : screens.filter((s) => s.width !== 1024)

test('on every view nothing lies over anything else, is cut off, or scrolls sideways, on any screen', async ({
  page,
}) => {
  for (const what of ['code', 'PIN']) {
    if (what === 'PIN') await enrol(page)
    await page.goto(address())
    if (what === 'PIN') await press(page, /Bao/)
    else await page.getByLabel('Name for this tablet').waitFor()
    for (const screen of screens) {
      await page.setViewportSize(screen)
      expect(await boxFaults(page), `sign in by ${what} at ${screen.width}`).toEqual([])
    }
  }
  await page.setViewportSize(screens[0])
  await signIn(page, 'Oriel', '9080')
  const faults: object[] = []
  for (const place of [...places, '/run/begin/kiosk-soft-serve/soft-serve-gravity.open']) {
    await visit(page, place)
    await expect(page.locator('.n-spin-body')).toHaveCount(0)
    for (const screen of looked) {
      await page.setViewportSize(screen)
      // Charts and sheets are drawn anew for the screen in the frames after.
      await page.evaluate(
        () => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))),
      )
      for (const fault of await boxFaults(page)) faults.push({ place, width: screen.width, ...fault })
    }
  }
  expect(faults).toEqual([])
})
