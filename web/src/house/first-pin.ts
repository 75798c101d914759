import { isEasyPin, pinDigits } from '@tadka/core/people'

/** A PIN for somebody's first sign-in, that nobody would guess first. */
export function firstPin(): string {
  for (;;) {
    const [drawn = 0] = crypto.getRandomValues(new Uint32Array(1))
    const pin = String(drawn % 10 ** pinDigits.least).padStart(pinDigits.least, '0')
    if (!isEasyPin(pin)) return pin
  }
}
