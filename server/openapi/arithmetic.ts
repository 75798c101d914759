import type { Operation } from './operations.ts'

const everybody = 'everybody' as const
const range = { lo: 150, hi: 400 }
const quat = {
  name: 'Brineguard, wiping cloths',
  range,
  temperature: { c: 24, f: 75 },
  hardestWater: 500,
  contactSeconds: 60,
}
const warm = (c: number) => ({ unit: '°C', reading: { lo: c, hi: c } })
const jug = { name: 'Jug', capacity: 100, graduation: 5, error: 2 }
const liquid = { kind: 'strength', stock: 100_000 }

/** What works on what is sent alone: nothing is stored, nobody need be signed in. */
export const arithmetic: Readonly<Record<string, Operation>> = {
  'POST /api/dose': {
    summary: 'The concentrate and water of a fresh mix, and the pour on a tool',
    needs: everybody,
    example: { supply: liquid, target: 200, total: { value: 10, unit: 'L' }, band: range, tools: [jug] },
  },
  'POST /api/dose/powder': {
    summary: 'Grams of powder for a solution',
    needs: everybody,
    example: { active: 0.6, target: 100, total: { value: 10, unit: 'L' } },
  },
  'POST /api/dose/pieces': {
    summary: 'Whole or half tablets, and the water that fits them',
    needs: everybody,
    example: { active: 1000, mayBeHalved: true, target: 100, total: { value: 10, unit: 'L' } },
  },
  'POST /api/dose/tank': {
    summary: 'Detergent dosed by hand: at fill, and every so many racks',
    needs: everybody,
    example: {
      volume: { value: 40, unit: 'L' },
      rinseWater: { value: 3, unit: 'L' },
      band: { lo: 1, target: 1.5, hi: 2 },
    },
  },
  'POST /api/correction': {
    summary: 'The way back into the band for a bath that reads wrong',
    needs: everybody,
    example: {
      volume: { value: 8, unit: 'L' },
      capacity: { value: 10, unit: 'L' },
      reading: { lo: 100, hi: 150 },
      supply: liquid,
      band: range,
      tools: [jug],
    },
  },
  'POST /api/top-up': {
    summary: 'Filling a bath back up to its target',
    needs: everybody,
    example: {
      volume: { value: 6, unit: 'L' },
      to: { value: 10, unit: 'L' },
      reading: { lo: 150, hi: 200 },
      stock: 100_000,
      target: 200,
      band: range,
    },
  },
  'POST /api/may-pour': {
    summary: 'Whether a product may go into a vessel, given what is in it',
    needs: everybody,
    example: { product: 'quat', inVessel: ['water'] },
  },
  'POST /api/dispenser': {
    summary: 'A dispenser check, and its drift over the checks before',
    needs: everybody,
    example: {
      measured: { value: 28, unit: 'mL' },
      expected: { value: 30, unit: 'mL' },
      target: 200,
      band: range,
      before: [1, 0.98],
    },
  },
  'POST /api/judge/sanitizer': {
    summary: 'A sanitizer in solution held against the code, the label and the local authority',
    needs: everybody,
    example: {
      agent: 'quat',
      strength: { lo: 200, hi: 200 },
      temperature: warm(25),
      ph: null,
      hardness: { lo: 120, hi: 120 },
      label: quat,
    },
  },
  'POST /api/judge/dish-machine': {
    summary: 'Wash, final rinse, pressure and surface of a dish machine',
    needs: everybody,
    example: {
      kind: 'stationary-dual',
      wash: warm(67),
      rinse: warm(83),
      pressure: { lo: 120, hi: 120 },
      surface: null,
      plate: null,
    },
  },
  'POST /api/judge/hot-water': {
    summary: 'Sanitizing by hand in hot water',
    needs: everybody,
    example: { temperature: warm(80), seconds: 30 },
  },
  'POST /api/judge/wash-water': {
    summary: 'Wash water in the sink',
    needs: everybody,
    example: { temperature: warm(45), label: null },
  },
  'POST /api/judge/utensils': {
    summary: 'Utensils in use with TCS food, and how long since they were cleaned',
    needs: everybody,
    example: { kept: 'room', temperature: null, hours: 3.5 },
  },
  'POST /api/cleaning-interval': {
    summary: 'How often utensils in use with TCS food are cleaned',
    needs: everybody,
    example: { room: { value: 7, unit: '°C' } },
  },
  'POST /api/judge/cold-product': {
    summary: 'TCS product kept cold',
    needs: everybody,
    example: { unit: '°C', value: 3.6, interval: { lo: 3.1, hi: 4.1 } },
  },
  'POST /api/judge/heat-dose': {
    summary: 'Heat at the ware as one number, A0: seconds at 80 °C that would do as much',
    needs: everybody,
    example: { temperatures: [70, 75, 80], step: 1 },
  },
  'POST /api/read/strip': {
    summary: 'What a strip that matches a block stands for, as a span',
    needs: everybody,
    example: { blocks: [0, 100, 200, 400], unit: 'ppm', pick: { matches: 200 } },
  },
  'POST /api/read/titration': {
    summary: 'What drops of a titration kit stand for, ppm',
    needs: everybody,
    example: { perDrop: 10, drops: 12 },
  },
  'POST /api/read/thermometer': {
    summary: 'What a number on a thermometer stands for; null where it failed its check',
    needs: everybody,
    example: { value: 3.6, unit: '°C', accuracy: 0.5, medium: 'food' },
  },
  'POST /api/read/ice-point': {
    summary: 'A thermometer in melting ice',
    needs: everybody,
    example: { read: 0.3, unit: '°C' },
  },
}
