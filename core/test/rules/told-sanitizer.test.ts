import { describe, expect, it } from 'vitest'
import { atMost, point, type Interval } from '../../quantity/index.ts'
import { judgeSanitizer, modelCode, type LabelUse, type SanitizerReading } from '../../rules/index.ts'
import { told } from './told.ts'

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
  it('what the manual of the machine asks for stands beside the label: the narrower decides', () => {
    const asked = (plate: Interval) => sanitizer({ plate }).filter((l) => /^plate|under/.test(l))
    expect(asked({ lo: 100, hi: 160 })).toMatchInlineSnapshot(`
      [
        "plate () strength 100..160 ppm, read 150..150, off 10: in by ",
        "in under food-code-2022 1",
      ]
    `)
    expect(asked({ lo: 160, hi: null })).toMatchInlineSnapshot(`
      [
        "plate () strength 160.. ppm, read 150..150, off -10: out by ",
        "out under food-code-2022 1",
      ]
    `)
  })
  it('chlorine', () => {
    expect(sanitizer({})).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) chlorine 50.. ppm, read 150..150, off 100: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) chlorine ..200 ppm, read 150..150, off 50: in by 40 CFR 180.940, without-rinse",
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
          "code (FDA Food Code 2022) chlorine ..200 ppm, read 150..150, off 50: in by 40 CFR 180.940, without-rinse",
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
        "code (FDA Food Code 2022) quat 200..400 ppm, read 250..250, off 50: in by FDA Food Code 2022, 4-501.114(C), as-label",
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
          "code (FDA Food Code 2022) strength 100..200 ppm, read 150..150, off 50: in by FDA Food Code 2022, 4-501.114(E), as-label",
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
          "code (FDA Food Code 2022) chlorine ..200 ppm, read 150..150, off 50: in by 40 CFR 180.940, without-rinse",
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
        "code (FDA Food Code 2022) chlorine ..200 ppm, read 150..150, off 50: in by 40 CFR 180.940, without-rinse",
        "code (FDA Food Code 2022) chlorineWater 13.. °C, read 25..25, off 12: in by FDA Food Code 2022, 4-501.114(A)",
        "code (FDA Food Code 2022) pH ..10 pH, read 7.5..7.5, off 2.5: in by FDA Food Code 2022, 4-501.114(A)",
        "label () strength none ppm, read 150..150, off ?: cannot-tell by no-label",
        "missing label: in to out",
        "cannot-tell under food-code-2022 1",
      ]
    `)
    expect(sanitizer({ agent: 'other', label: null })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) strength none ppm, read 150..150, off ?: cannot-tell by FDA Food Code 2022, 4-501.114(E), as-label",
        "label () strength none ppm, read 150..150, off ?: cannot-tell by no-label",
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
