import type { Reported } from './gateway.ts'

/** A thermometer that reports what it reads when its button is pressed. Invented. */
export interface Thermometer {
  /** Put into something, °C: it follows by two thirds in some seconds. */
  readonly dip: (celsius: number) => void
  readonly wait: (seconds: number) => void
  readonly press: () => Reported
}

const lagSeconds = 3

/** @param random numbers from 0 to 1. @param offset °C by which it reads wrong. */
export function thermometer(random: () => number, unit: '°C' | '°F' = '°C', offset = 0): Thermometer {
  let [second, around, tip] = [0, 22, 22]
  return {
    dip: (celsius) => (around = celsius),
    wait(seconds) {
      second += seconds
      tip += (around - tip) * (1 - Math.exp(-seconds / lagSeconds))
    },
    press() {
      const celsius = tip + offset + (random() - 0.5) * 0.1
      const value = unit === '°C' ? celsius : (celsius * 9) / 5 + 32
      return { what: 'temperature', at: second, value: Math.round(value * 10) / 10, unit }
    },
  }
}
