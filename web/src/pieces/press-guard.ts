/**
 * One place that decides whether a press counts, for every control of the application:
 * it began on the control that it ends on; nothing that it began on has changed meanwhile; and it is not the second tap of a
 * double tap. After a step changes nothing answers until the finger is up, the new step can be seen, and a short moment has
 * passed. What counts is when the glass was touched, not when a busy tablet came to it.
 */

/** After a step changed and the finger is up, controls rest for so long, ms; a second tap there within it is the first one's echo. */
const restMs = 300
/** Taps this near to each other, px, are at one place: what stands there may have changed. */
const onePlace = 48

/** Controls that answer to presses; fields and their labels are left to the browser. */
const controls = 'button, a[href], [role="button"], [role="tab"], [role="menuitem"]'
/** Keys that are meant to be struck quickly one after another: a number pad. */
const quick = '[data-quick-keys]'
/** Choices: a second tap on one chooses it again, and one beside it is another choice. */
const choices = '[role="radio"], [role="tab"], [aria-pressed]'

const controlOf = (target: EventTarget | null): Element | null =>
  target instanceof Element ? target.closest(controls) : null

export interface PressGuard {
  /** The step has changed: what is under the finger now is not what was pressed. */
  readonly changed: () => void
  readonly stop: () => void
}

/** The time, ms, as events tell theirs, and ways to be called later: the browser's own unless a test brings another. */
export interface GuardClock {
  readonly now: () => number
  readonly later: (ms: number, then: () => void) => void
  /** Calls when what has changed until now can be seen. */
  readonly seen: (then: () => void) => void
}

const browserClock: GuardClock = {
  now: () => performance.now(),
  later: (ms, then) => void setTimeout(then, ms),
  // The first frame draws it, the second comes when that was shown.
  seen: (then) => void requestAnimationFrame(() => requestAnimationFrame(then)),
}

/** Watches a document's presses until it is stopped. */
export function guardPresses(root: Document, clock: GuardClock = browserClock): PressGuard {
  /** Where the press under way began, or null where it began on nothing. */
  let began: Element | null = null
  let down = false
  let restUntil = -Infinity
  /** Changes of the step that cannot be seen yet. */
  let unseen = 0
  /** A step changed while the finger was down. */
  let stale = false
  /** The last press that counted. */
  let last: { control: Element; at: number; x: number; y: number } | null = null
  const resting = (at: number) => stale || unseen > 0 || at < restUntil
  const echoes = (control: Element, event: MouseEvent) =>
    last !== null &&
    event.timeStamp < last.at + restMs &&
    (last.control === control ||
      (event.detail > 0 &&
        Math.abs(event.clientX - last.x) < onePlace &&
        Math.abs(event.clientY - last.y) < onePlace))

  /** Tells on the page, for whoever drives it: nothing answers now; a second tap would be the first one's echo. */
  function show(): void {
    root.documentElement.toggleAttribute('data-resting', resting(clock.now()))
    root.documentElement.toggleAttribute('data-pressed', last !== null && clock.now() < last.at + restMs)
  }
  function rest(): void {
    restUntil = clock.now() + restMs
    show()
    clock.later(restMs, show)
  }
  let refused = 0
  function refuse(event: Event): void {
    // Told on the page: who drives it presses again, as a person would.
    root.documentElement.setAttribute('data-refused', String(++refused))
    event.preventDefault()
    event.stopImmediatePropagation()
  }

  function onDown(event: PointerEvent): void {
    down = true
    began = controlOf(event.target)
    if (began && !began.closest(quick) && resting(event.timeStamp)) {
      began = null
      refuse(event)
    }
  }
  function onUp(): void {
    down = false
    if (!stale) return
    stale = false
    rest()
  }
  function onKey(event: KeyboardEvent): void {
    if (event.key !== 'Enter' && event.key !== ' ') return
    const control = controlOf(event.target)
    if (event.type === 'keyup') {
      onUp()
      return
    }
    if (!event.repeat) {
      down = true
      began = control
    }
    // A key that is held is one press.
    if (control && (event.repeat || resting(event.timeStamp))) refuse(event)
  }
  function onClick(event: MouseEvent): void {
    const control = controlOf(event.target)
    if (!control) return
    const isQuick = control.closest(quick) !== null
    // A click without a pointer is a key's, or an assistive device's.
    const pointed = event.detail > 0
    const elsewhere = pointed && began !== control
    const echo = !isQuick && !control.matches(choices) && echoes(control, event)
    if (elsewhere || echo || (!isQuick && resting(event.timeStamp))) return refuse(event)
    if (isQuick) return
    last = { control, at: Math.min(event.timeStamp, clock.now()), x: event.clientX, y: event.clientY }
    show()
    clock.later(restMs, show)
  }

  const capture = { capture: true }
  root.addEventListener('pointerdown', onDown, capture)
  root.addEventListener('pointerup', onUp, capture)
  root.addEventListener('pointercancel', onUp, capture)
  root.addEventListener('keydown', onKey, capture)
  root.addEventListener('keyup', onKey, capture)
  root.addEventListener('click', onClick, capture)
  return {
    changed() {
      began = null
      if (down) stale = true
      unseen += 1
      show()
      clock.seen(() => {
        unseen -= 1
        rest()
      })
    },
    stop() {
      root.removeEventListener('pointerdown', onDown, capture)
      root.removeEventListener('pointerup', onUp, capture)
      root.removeEventListener('pointercancel', onUp, capture)
      root.removeEventListener('keydown', onKey, capture)
      root.removeEventListener('keyup', onKey, capture)
      root.removeEventListener('click', onClick, capture)
    },
  }
}

let guard: PressGuard | null = null
/** Guards this page's presses from now on. */
export function installPressGuard(): void {
  guard ??= guardPresses(document)
}
/** Tells the page's guard that what stands on the screen has changed. */
export const pressesChanged = (): void => guard?.changed()
