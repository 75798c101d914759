/** Wrong PINs in a row on one tablet after which the name's PIN is locked there. */
export const wrongPinsBeforeLock = 10

/** The least and most digits of a PIN. */
export const pinDigits = { least: 4, most: 8 } as const

/** The fewest characters of a password. */
export const passwordLeast = 10

/** Whether anybody would try this PIN first: one digit again and again, or digits that count up or down. @param pin digits. */
export function isEasyPin(pin: string): boolean {
  const steps = [...pin].slice(1).map((digit, i) => Number(digit) - Number(pin[i]))
  return [0, 1, -1].some((step) => steps.every((s) => s === step))
}
