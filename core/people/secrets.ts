/** Wrong PINs in a row on one tablet after which the name's PIN is locked there. */
export const wrongPinsBeforeLock = 10

/** The least and most digits of a PIN. */
export const pinDigits = { least: 4, most: 8 } as const

/** The fewest characters of a password. */
export const passwordLeast = 10

/**
 * A PIN for somebody's first sign-in, of the fewest digits, that nobody would try first.
 * @param draw a whole number from 0 to below what it is given, by chance.
 */
export function firstPin(draw: (below: number) => number): string {
  for (;;) {
    const pin = String(draw(10 ** pinDigits.least)).padStart(pinDigits.least, '0')
    if (!isEasyPin(pin)) return pin
  }
}

/** Whether anybody would try this PIN first: one digit again and again, or digits that count up or down. @param pin digits. */
export function isEasyPin(pin: string): boolean {
  const steps = [...pin].slice(1).map((digit, i) => Number(digit) - Number(pin[i]))
  return [0, 1, -1].some((step) => steps.every((s) => s === step))
}
