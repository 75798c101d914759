import type { Page } from '@playwright/test'

/** Sizes of the screens that people have: a tablet, a smaller one, a phone. */
export const screens = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 390, height: 844 },
] as const

/** What may lie over other things, or scroll sideways, each with its reason. */
const exempt = {
  /** Lies over what it was opened from, and closes again: dialogs, menus, messages. */
  over: ['.n-modal-container', '.n-base-select-menu', '.n-message-container', '.v-binder-follower-container'],
  /** A field's own example stands in the field. */
  inField: ['.n-input__placeholder', '.n-base-selection-placeholder'],
  /** Is meant to stay in view while what is beneath it scrolls by. */
  sticky: ['form.trade > .acts', 'nav'],
  /** Time runs from left to right further than a phone is wide; tables of many columns likewise. */
  sideways: [
    '.sheet-scroll',
    '.evening',
    '.lanes',
    'svg',
    '.n-data-table',
    '.scrolls',
    '.trace',
    '.chart',
    '.weeks',
    '.strip',
  ],
  /** Drawings place their own words: bars of the plan over the tide, a band's numbers over its ruler. */
  drawing: [
    'svg',
    '[role="img"]',
    '.sheet',
    '.jug',
    '.timer',
    '.rope',
    '.basin',
    '.gauge',
    'canvas',
    '.week-grid',
  ],
}

export interface BoxFault {
  readonly what: 'over' | 'cut' | 'sideways' | 'outside'
  readonly of: string
  readonly by?: string
}

/**
 * Works out from the boxes of a page what lies over something else, is cut off, or scrolls sideways. Words are looked at line by
 * line, controls as a whole; what is scrolled out of sight is not looked at.
 */
export const boxFaults = (page: Page): Promise<BoxFault[]> =>
  page.evaluate((lists) => {
    const inside = (el: Element, selectors: readonly string[]) =>
      selectors.some((s) => el.closest(s) !== null)
    const name = (el: Element) => {
      const said = (el.getAttribute('aria-label') ?? el.textContent ?? '').replaceAll(/\s+/g, ' ').trim()
      return `${el.tagName.toLowerCase()}${el.className && typeof el.className === 'string' ? `.${el.className.split(' ')[0]}` : ''} "${said.slice(0, 40)}"`
    }
    interface Box {
      readonly el: Element
      readonly text: boolean
      readonly left: number
      readonly top: number
      readonly right: number
      readonly bottom: number
    }
    const shown = (el: Element) =>
      el.checkVisibility({ opacityProperty: true, visibilityProperty: true }) &&
      !el.closest('.visually-hidden, [aria-hidden="true"]')
    /** What of a box is in sight: cut by everything that scrolls or hides around it. */
    function inSight(el: Element, box: DOMRect): Omit<Box, 'el' | 'text'> | null {
      let { left, top, right, bottom } = box
      for (let at: Element | null = el; at; at = at.parentElement) {
        const style = getComputedStyle(at)
        if (
          at === el ||
          !/(auto|scroll|hidden|clip)/.test(style.overflow + style.overflowX + style.overflowY)
        )
          continue
        const frame = at.getBoundingClientRect()
        left = Math.max(left, frame.left)
        top = Math.max(top, frame.top)
        right = Math.min(right, frame.right)
        bottom = Math.min(bottom, frame.bottom)
      }
      top = Math.max(0, top)
      bottom = Math.min(innerHeight, bottom)
      return right - left > 2 && bottom - top > 2 ? { left, top, right, bottom } : null
    }
    const faults: BoxFault[] = []
    const boxes: Box[] = []
    const controls = 'button, a[href], input, select, textarea, [role="button"], [role="radio"]'
    for (const el of document.body.querySelectorAll('*')) {
      if (!shown(el) || inside(el, lists.over) || inside(el, lists.drawing) || inside(el, lists.inField))
        continue
      if (el.matches(controls)) {
        const box = inSight(el, el.getBoundingClientRect())
        if (box) boxes.push({ el, text: false, ...box })
      }
      for (const node of el.childNodes) {
        if (node.nodeType !== Node.TEXT_NODE || !node.textContent?.trim()) continue
        const range = document.createRange()
        range.selectNodeContents(node)
        for (const rect of range.getClientRects()) {
          if (rect.width < 2 || rect.height < 2) continue
          if (rect.right > innerWidth + 1 && !inside(el, lists.sideways))
            faults.push({ what: 'outside', of: name(el) })
          // The line's height is more than its letters: they are what must not be lain over.
          const lean = rect.height * 0.18
          const box = inSight(el, new DOMRect(rect.x, rect.y + lean, rect.width, rect.height - 2 * lean))
          if (box) boxes.push({ el, text: true, ...box })
        }
      }
      const style = getComputedStyle(el)
      const hides =
        /(hidden|clip)/.test(style.overflowX) && el.scrollWidth > el.clientWidth + 1 && el.clientWidth > 0
      if (
        hides &&
        !el.matches('.n-scrollbar, .n-scrollbar-container') &&
        el.textContent?.trim() &&
        !inside(el, lists.sideways) &&
        !el.closest('.n-base-selection')
      )
        faults.push({ what: 'cut', of: name(el) })
      const scrolls = /(auto|scroll)/.test(style.overflowX) && el.scrollWidth > el.clientWidth + 1
      if (scrolls && !inside(el, lists.sideways)) faults.push({ what: 'sideways', of: name(el) })
    }
    if (document.documentElement.scrollWidth > innerWidth + 1)
      faults.push({ what: 'sideways', of: 'the page' })
    const related = (a: Element, b: Element) => a.contains(b) || b.contains(a)
    const layer = (el: Element) => lists.sticky.findIndex((s) => el.closest(s) !== null)
    for (const [i, a] of boxes.entries())
      for (const b of boxes.slice(i + 1)) {
        if (related(a.el, b.el) || layer(a.el) !== layer(b.el)) continue
        // A control and the words beside it in one label are one thing.
        if (a.el.closest('label') && a.el.closest('label') === b.el.closest('label')) continue
        const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left)
        const high = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)
        if (wide > 2 && high > 2) faults.push({ what: 'over', of: name(a.el), by: name(b.el) })
      }
    const names = new Set<string>()
    return faults.filter((f) => {
      const key = `${f.what} ${f.of} ${f.by ?? ''}`
      return names.has(key) ? false : Boolean(names.add(key))
    })
  }, exempt)
