import { describe, expect, it } from 'vitest'
import { atLeast, atMost, interval, point, type Interval } from '../../quantity/index.ts'
import {
  codeSections,
  judgeColdProduct,
  judgeDishMachine,
  judgeHotWaterByHand,
  judgeSanitizer,
  judgeSurface,
  judgeUtensils,
  judgeWashWater,
  modelCode,
  type DishMachineReading,
  type Judgement,
  type LabelUse,
  type SanitizerReading,
} from '../../rules/index.ts'

const ends = (i: Interval | null) => (i === null ? 'none' : `${i.lo ?? ''}..${i.hi ?? ''}`)
/** A judgement as a person could check it against the code: layer, quantity, limit, reading, distance, verdict, source. */
const told = (j: Judgement): string[] => [
  ...j.layers.flatMap((l) =>
    l.limits.map(
      (x) =>
        `${l.layer} (${l.name}) ${x.quantity} ${ends(x.limit)} ${x.unit}, read ${ends(x.reading)}, off ${x.distance ?? '?'}: ${x.verdict} by ${x.source}`,
    ),
  ),
  ...j.missing.map((m) => `missing ${m.quantity}: ${m.best} to ${m.worst}`),
  `${j.overall} under ${j.profile.id} ${j.profile.version}`,
]

const label = (change: Partial<LabelUse> = {}): LabelUse => ({
  name: 'the label',
  range: { lo: 100, hi: 200 },
  temperature: null,
  hardestWater: null,
  contactSeconds: null,
  ...change,
})
const sanitizer = (change: Partial<SanitizerReading>): string[] =>
  told(
    judgeSanitizer(modelCode, {
      agent: 'chlorine',
      strength: point(150),
      temperature: { unit: '°C', reading: point(25) },
      ph: point(7.5),
      hardness: null,
      label: label(),
      ...change,
    }),
  )

describe('a sanitizer, limit by limit: FDA Food Code 2022, 4-501.114; 40 CFR 180.940', () => {
  it('chlorine', () => {
    expect(sanitizer({})).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) chlorine 50.. ppm, read 150..150, off 100: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) chlorine ..200 ppm, read 150..150, off 50: in by 40 CFR 180.940, without a potable rinse",
        "code (FDA Food Code 2022) chlorineWater 13.. °C, read 25..25, off 12: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) pH ..10 pH, read 7.5..7.5, off 2.5: in by FDA Food Code 2022, 4-501.114(A)",
        "label (the label) strength 100..200 ppm, read 150..150, off 50: in by the label",
        "in under food-code-2022 1",
      ]
    `)
    expect(sanitizer({ label: label({ rinseAfter: true, temperature: { c: 24, f: 75 } }) }))
      .toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) chlorine 50.. ppm, read 150..150, off 100: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) chlorineWater 13.. °C, read 25..25, off 12: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) pH ..10 pH, read 7.5..7.5, off 2.5: in by FDA Food Code 2022, 4-501.114(A)",
        "label (the label) strength 100..200 ppm, read 150..150, off 50: in by the label",
        "label (the label) chlorineWater 24.. °C, read 25..25, off 1: in by the label",
        "in under food-code-2022 1",
      ]
    `)
    expect(sanitizer({ temperature: { unit: '°F', reading: point(60) }, ph: point(9) }))
      .toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) chlorine 100.. ppm, read 150..150, off 50: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) chlorine ..200 ppm, read 150..150, off 50: in by 40 CFR 180.940, without a potable rinse",
        "code (FDA Food Code 2022) chlorineWater 55.. °F, read 60..60, off 5: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) pH ..10 pH, read 9..9, off 1: in by FDA Food Code 2022, 4-501.114(A)",
        "label (the label) strength 100..200 ppm, read 150..150, off 50: in by the label",
        "in under food-code-2022 1",
      ]
    `)
  })
  it('iodine', () =>
    expect(
      sanitizer({
        agent: 'iodine',
        strength: point(20),
        ph: point(5.5),
        label: label({ range: { lo: 12.5, hi: 25 } }),
      }),
    ).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) iodine 12.5..25 ppm, read 20..20, off 5: in by FDA Food Code 2022, 4-501.114(B)",
        "code (FDA Food Code 2022) iodineWater 20.. °C, read 25..25, off 5: in by FDA Food Code 2022, 4-501.114(B)",
        "code (FDA Food Code 2022) pH ..5 pH, read 5.5..5.5, off -0.5: out by FDA Food Code 2022, 4-501.114(B)",
        "label (the label) strength 12.5..25 ppm, read 20..20, off 5: in by the label",
        "out under food-code-2022 1",
      ]
    `))
  it('quat', () =>
    expect(
      sanitizer({
        agent: 'quat',
        strength: point(250),
        hardness: point(300),
        label: label({ range: { lo: 200, hi: 400 }, temperature: { c: 20, f: 68 }, hardestWater: 400 }),
      }),
    ).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) quat 200..400 ppm, read 250..250, off 50: in by FDA Food Code 2022, 4-501.114(C), as the label",
        "code (FDA Food Code 2022) quatWater 24.. °C, read 25..25, off 1: in by FDA Food Code 2022, 4-501.114(C)",
        "code (FDA Food Code 2022) hardness ..400 mg/L, read 300..300, off 100: in by FDA Food Code 2022, 4-501.114(C)",
        "label (the label) strength 200..400 ppm, read 250..250, off 50: in by the label",
        "label (the label) quatWater 20.. °C, read 25..25, off 5: in by the label",
        "label (the label) hardness ..400 mg/L, read 300..300, off 100: in by the label",
        "in under food-code-2022 1",
      ]
    `))
  it('of another kind', () =>
    expect(sanitizer({ agent: 'other', label: label({ temperature: { c: 20, f: 68 } }) }))
      .toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) strength 100..200 ppm, read 150..150, off 50: in by FDA Food Code 2022, 4-501.114(E), as the label",
        "label (the label) strength 100..200 ppm, read 150..150, off 50: in by the label",
        "label (the label) sanitizerWater 20.. °C, read 25..25, off 5: in by the label",
        "in under food-code-2022 1",
      ]
    `))
  it('under the site’s authority too', () =>
    expect(sanitizer({ local: [{ name: 'Harbour', range: atMost(120), source: 'byelaw 12' }] }))
      .toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) chlorine 50.. ppm, read 150..150, off 100: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) chlorine ..200 ppm, read 150..150, off 50: in by 40 CFR 180.940, without a potable rinse",
        "code (FDA Food Code 2022) chlorineWater 13.. °C, read 25..25, off 12: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) pH ..10 pH, read 7.5..7.5, off 2.5: in by FDA Food Code 2022, 4-501.114(A)",
        "local (Harbour) strength ..120 ppm, read 150..150, off -30: out by byelaw 12",
        "label (the label) strength 100..200 ppm, read 150..150, off 50: in by the label",
        "out under food-code-2022 1",
      ]
    `))
  it('without its label', () => {
    expect(sanitizer({ label: null })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) chlorine 50.. ppm, read 150..150, off 100: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) chlorine ..200 ppm, read 150..150, off 50: in by 40 CFR 180.940, without a potable rinse",
        "code (FDA Food Code 2022) chlorineWater 13.. °C, read 25..25, off 12: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) pH ..10 pH, read 7.5..7.5, off 2.5: in by FDA Food Code 2022, 4-501.114(A)",
        "label (label) strength none ppm, read 150..150, off ?: cannot-tell by no label entered",
        "missing label: in to out",
        "cannot-tell under food-code-2022 1",
      ]
    `)
    expect(sanitizer({ agent: 'other', label: null })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) strength none ppm, read 150..150, off ?: cannot-tell by FDA Food Code 2022, 4-501.114(E), as the label",
        "label (label) strength none ppm, read 150..150, off ?: cannot-tell by no label entered",
        "missing label: in to out",
        "cannot-tell under food-code-2022 1",
      ]
    `)
  })
})

describe('what is missing of a sanitizer, and what it could change', () => {
  const missing = (change: Partial<SanitizerReading>) =>
    sanitizer(change).filter((line) => line.startsWith('missing'))
  it.each([
    ['nothing, where all is read', {}, []],
    ['strength', { strength: null }, ['missing strength: in to out']],
    ['label', { label: null }, ['missing label: in to out']],
    ['temperature of chlorine', { temperature: null }, ['missing chlorineWater: in to out']],
    ['pH of chlorine', { ph: null }, ['missing pH: in to out']],
    [
      'temperature and pH',
      { temperature: null, ph: null },
      ['missing chlorineWater: in to out', 'missing pH: in to out'],
    ],
    ['pH of iodine', { agent: 'iodine', strength: point(150), label: label(), ph: null }, []],
    [
      'pH of iodine in its range',
      { agent: 'iodine', strength: point(20), label: label({ range: { lo: 12.5, hi: 25 } }), ph: null },
      ['missing pH: in to out'],
    ],
    [
      'temperature of iodine whose pH was not read either',
      {
        agent: 'iodine',
        strength: point(20),
        label: label({ range: { lo: 12.5, hi: 25 } }),
        ph: null,
        temperature: null,
      },
      ['missing iodineWater: in to out', 'missing pH: in to out'],
    ],
    ['hardness of quat', { agent: 'quat', strength: point(150) }, ['missing hardness: in to out']],
    [
      'hardness and temperature of quat',
      { agent: 'quat', strength: point(150), temperature: null },
      ['missing quatWater: in to out', 'missing hardness: in to out'],
    ],
    [
      'temperature of another kind, where its label asks',
      { agent: 'other', label: label({ temperature: { c: 20, f: 68 } }), temperature: null },
      ['missing sanitizerWater: in to out'],
    ],
  ] as [string, Partial<SanitizerReading>, string[]][])('%s', (_, change, lines) =>
    expect(missing(change)).toEqual(lines),
  )
})

const machine = (change: Partial<DishMachineReading>): string[] =>
  told(
    judgeDishMachine({
      kind: 'stationary-dual',
      wash: { unit: '°C', reading: point(67) },
      rinse: { unit: '°C', reading: point(83) },
      pressure: point(120),
      surface: null,
      plate: null,
      ...change,
    }),
  )
const plate = { wash: { c: 68, f: 154 }, rinse: { c: 84, f: 183 }, pressure: { lo: 100, hi: 170 } }

describe('a dish machine, limit by limit: FDA Food Code 2022, 4-501.110 to .113, 4-703.11(B)', () => {
  it('as the code has it, by kind', () => {
    expect(machine({})).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read 67..67, off 1: in by FDA Food Code 2022, 4-501.110(A)(2)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "in under food-code-2022 1",
      ]
    `)
    expect(machine({ kind: 'stationary-single' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 74.. °C, read 67..67, off -7: out by FDA Food Code 2022, 4-501.110(A)(1)",
        "code (FDA Food Code 2022) rinse 74.. °C, read 83..83, off 9: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "out under food-code-2022 1",
      ]
    `)
    expect(machine({ kind: 'conveyor-dual' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 71.. °C, read 67..67, off -4: out by FDA Food Code 2022, 4-501.110(A)(3)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "out under food-code-2022 1",
      ]
    `)
    expect(machine({ kind: 'conveyor-multi' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read 67..67, off 1: in by FDA Food Code 2022, 4-501.110(A)(4)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "in under food-code-2022 1",
      ]
    `)
    expect(machine({ kind: 'chemical' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 49.. °C, read 67..67, off 18: in by FDA Food Code 2022, 4-501.110(B)",
        "in under food-code-2022 1",
      ]
    `)
  })
  it('and its data plate', () => {
    expect(machine({ plate })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read 67..67, off 1: in by FDA Food Code 2022, 4-501.110(A)(2)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "plate (data plate) wash 68.. °C, read 67..67, off -1: out by data plate",
        "plate (data plate) rinse 84.. °C, read 83..83, off -1: out by data plate",
        "plate (data plate) pressure 100..170 kPa, read 120..120, off 20: in by data plate",
        "out under food-code-2022 1",
      ]
    `)
    expect(machine({ plate, kind: 'chemical' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 49.. °C, read 67..67, off 18: in by FDA Food Code 2022, 4-501.110(B)",
        "plate (data plate) wash 68.. °C, read 67..67, off -1: out by data plate",
        "out under food-code-2022 1",
      ]
    `)
    expect(machine({ plate, pressure: point(18), pressureUnit: 'psi' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read 67..67, off 1: in by FDA Food Code 2022, 4-501.110(A)(2)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 5..30 psi, read 18..18, off 12: in by FDA Food Code 2022, 4-501.113",
        "plate (data plate) wash 68.. °C, read 67..67, off -1: out by data plate",
        "plate (data plate) rinse 84.. °C, read 83..83, off -1: out by data plate",
        "plate (data plate) pressure 14.50377438972831..24.65641646253813 psi, read 18..18, off 3.49622561027169: in by data plate",
        "out under food-code-2022 1",
      ]
    `)
    expect(machine({ plate: { wash: null, rinse: null, pressure: null } })).toEqual(machine({}))
  })
  it('and the surface of its ware', () =>
    expect(machine({ surface: { unit: '°F', reading: atLeast(160) } })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read 67..67, off 1: in by FDA Food Code 2022, 4-501.110(A)(2)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "code (FDA Food Code 2022) surface 160.. °F, read 160.., off 0: in by FDA Food Code 2022, 4-703.11(B)",
        "in under food-code-2022 1",
      ]
    `))
  it('of which nothing was read', () =>
    expect(machine({ wash: null, rinse: null, pressure: null })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read none, off ?: cannot-tell by FDA Food Code 2022, 4-501.110(A)(2)",
        "code (FDA Food Code 2022) rinse 82.. °C, read none, off ?: cannot-tell by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read none, off ?: cannot-tell by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read none, off ?: cannot-tell by FDA Food Code 2022, 4-501.113",
        "missing wash: in to out",
        "missing rinse: in to out",
        "missing pressure: in to out",
        "cannot-tell under food-code-2022 1",
      ]
    `))
})

describe('the other temperatures and times, limit by limit', () => {
  it('product kept cold: FDA Food Code 2022, 3-501.16(A)(2)', () => {
    expect(told(judgeColdProduct(modelCode, '°C', point(4)))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) product ..5 °C, read 4..4, off 1: in by FDA Food Code 2022, 3-501.16(A)(2)",
        "in under food-code-2022 1",
      ]
    `)
    expect(told(judgeColdProduct(modelCode, '°F', interval(41, null)))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) product ..41 °F, read 41.., off ?: too-close by FDA Food Code 2022, 3-501.16(A)(2)",
        "too-close under food-code-2022 1",
      ]
    `)
    expect(told(judgeColdProduct(modelCode, '°C', null))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) product ..5 °C, read none, off ?: cannot-tell by FDA Food Code 2022, 3-501.16(A)(2)",
        "missing product: in to out",
        "cannot-tell under food-code-2022 1",
      ]
    `)
    expect(told(judgeColdProduct(modelCode, '°C', { lo: null, hi: null }))).toEqual(
      told(judgeColdProduct(modelCode, '°C', null)),
    )
    expect(told(judgeColdProduct(modelCode, '°C', atMost(4)))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) product ..5 °C, read ..4, off 1: in by FDA Food Code 2022, 3-501.16(A)(2)",
        "in under food-code-2022 1",
      ]
    `)
  })
  it('hot water by hand: FDA Food Code 2022, 4-703.11(A)', () => {
    expect(told(judgeHotWaterByHand({ unit: '°C', reading: point(78) }, 30))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hotWater 77.. °C, read 78..78, off 1: in by FDA Food Code 2022, 4-501.111",
        "code (FDA Food Code 2022) time 30.. s, read 30..30, off 0: in by FDA Food Code 2022, 4-703.11(A)",
        "in under food-code-2022 1",
      ]
    `)
    expect(told(judgeHotWaterByHand({ unit: '°F', reading: point(171) }, 29))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hotWater 171.. °F, read 171..171, off 0: in by FDA Food Code 2022, 4-501.111",
        "code (FDA Food Code 2022) time 30.. s, read 29..29, off -1: out by FDA Food Code 2022, 4-703.11(A)",
        "out under food-code-2022 1",
      ]
    `)
    expect(told(judgeHotWaterByHand({ unit: '°C', reading: point(78) }, null))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hotWater 77.. °C, read 78..78, off 1: in by FDA Food Code 2022, 4-501.111",
        "code (FDA Food Code 2022) time 30.. s, read none, off ?: cannot-tell by FDA Food Code 2022, 4-703.11(A)",
        "missing time: in to out",
        "cannot-tell under food-code-2022 1",
      ]
    `)
  })
  it('wash water: FDA Food Code 2022, 4-501.19', () => {
    expect(told(judgeWashWater({ unit: '°C', reading: point(43) }, null))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) washWater 43.. °C, read 43..43, off 0: in by FDA Food Code 2022, 4-501.19",
        "in under food-code-2022 1",
      ]
    `)
    expect(told(judgeWashWater({ unit: '°F', reading: point(100) }, { c: 38, f: 100 })))
      .toMatchInlineSnapshot(`
      [
        "label (detergent label) washWater 100.. °F, read 100..100, off 0: in by detergent label (4-501.19 leaves it to the label)",
        "in under food-code-2022 1",
      ]
    `)
  })
  it('the surface of ware: FDA Food Code 2022, 4-703.11(B)', () => {
    expect(told(judgeSurface({ unit: '°C', reading: atLeast(71) }))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) surface 71.. °C, read 71.., off 0: in by FDA Food Code 2022, 4-703.11(B)",
        "in under food-code-2022 1",
      ]
    `)
    expect(told(judgeSurface(null))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) surface 71.. °C, read none, off ?: cannot-tell by FDA Food Code 2022, 4-703.11(B)",
        "missing surface: in to out",
        "cannot-tell under food-code-2022 1",
      ]
    `)
  })
  it('utensils in use: FDA Food Code 2022, 4-602.11(C) and (D)(2)', () => {
    const kept = (
      hours: number | null,
      reading: Interval | null,
      where: 'room' | 'refrigerated' = 'refrigerated',
    ) => told(judgeUtensils({ kept: where, temperature: reading && { unit: '°C', reading }, hours }))
    expect(kept(4, null, 'room')).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hours ..4 h, read 4..4, off 0: in by FDA Food Code 2022, 4-602.11(C)",
        "in under food-code-2022 1",
      ]
    `)
    expect(kept(4.5, null, 'room')).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hours ..4 h, read 4.5..4.5, off -0.5: out by FDA Food Code 2022, 4-602.11(C)",
        "out under food-code-2022 1",
      ]
    `)
    expect(kept(null, null, 'room')).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hours ..4 h, read none, off ?: cannot-tell by FDA Food Code 2022, 4-602.11(C)",
        "missing hours: in to out",
        "cannot-tell under food-code-2022 1",
      ]
    `)
    expect(kept(20, point(6))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hours ..20 h, read 20..20, off 0: in by FDA Food Code 2022, 4-602.11(D)(2)",
        "in under food-code-2022 1",
      ]
    `)
    expect(kept(20, null)).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hours none h, read 20..20, off ?: cannot-tell by FDA Food Code 2022, 4-602.11(C)",
        "code (FDA Food Code 2022) room none °C, read none, off ?: cannot-tell by FDA Food Code 2022, 4-602.11(C)",
        "missing room: in to out",
        "cannot-tell under food-code-2022 1",
      ]
    `)
    expect(kept(25, null)).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hours ..24 h, read 25..25, off -1: out by FDA Food Code 2022, 4-602.11(D)(2)",
        "out under food-code-2022 1",
      ]
    `)
    expect(kept(18, interval(6, 8))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hours ..16 h, read 18..18, off -2: too-close by FDA Food Code 2022, 4-602.11(D)(2)",
        "too-close under food-code-2022 1",
      ]
    `)
    expect(kept(5, point(20))).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hours ..4 h, read 5..5, off -1: out by FDA Food Code 2022, 4-602.11(C)",
        "out under food-code-2022 1",
      ]
    `)
    expect(kept(5, { lo: 5, hi: null })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) hours none h, read 5..5, off ?: cannot-tell by FDA Food Code 2022, 4-602.11(C)",
        "cannot-tell under food-code-2022 1",
      ]
    `)
  })
})

it('the sections that stand alone, in metric and in US units as the code pairs them', () => {
  const rows = (system: 'metric' | 'us') =>
    codeSections(system).map((s) => `${s.section}: ${s.quantity} ${ends(s.limit)} ${s.unit}`)
  expect(rows('metric')).toMatchInlineSnapshot(`
    [
      "3-501.16(A)(2): product ..5 °C",
      "4-501.19: washWater 43.. °C",
      "4-501.110(A)(1): wash 74.. °C",
      "4-501.110(A)(2): wash 66.. °C",
      "4-501.110(A)(3): wash 71.. °C",
      "4-501.110(A)(4): wash 66.. °C",
      "4-501.110(B): wash 49.. °C",
      "4-501.111: hotWater 77.. °C",
      "4-501.112: rinse 82..90 °C",
      "4-501.113: pressure 35..200 kPa",
      "40 CFR 180.940: chlorine ..200 ppm",
      "4-501.114(B): iodine 12.5..25 ppm",
      "4-501.114(C): hardness ..500 mg/L",
      "4-703.11(B): surface 71.. °C",
    ]
  `)
  expect(rows('us')).toMatchInlineSnapshot(`
    [
      "3-501.16(A)(2): product ..41 °F",
      "4-501.19: washWater 110.. °F",
      "4-501.110(A)(1): wash 165.. °F",
      "4-501.110(A)(2): wash 150.. °F",
      "4-501.110(A)(3): wash 160.. °F",
      "4-501.110(A)(4): wash 150.. °F",
      "4-501.110(B): wash 120.. °F",
      "4-501.111: hotWater 171.. °F",
      "4-501.112: rinse 180..194 °F",
      "4-501.113: pressure 5..30 psi",
      "40 CFR 180.940: chlorine ..200 ppm",
      "4-501.114(B): iodine 12.5..25 ppm",
      "4-501.114(C): hardness ..500 mg/L",
      "4-703.11(B): surface 160.. °F",
    ]
  `)
  expect(codeSections()).toEqual(codeSections('metric'))
})
