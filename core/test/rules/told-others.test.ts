import { describe, expect, it } from 'vitest'
import { atLeast, atMost, interval, point, type Interval } from '../../quantity/index.ts'
import {
  codeSections,
  judgeColdProduct,
  judgeHotWaterByHand,
  judgeSurface,
  judgeUtensils,
  judgeWashWater,
  modelCode,
} from '../../rules/index.ts'
import { ends, told } from './told.ts'

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
          "label () washWater 100.. °F, read 100..100, off 0: in by FDA Food Code 2022, 4-501.19, detergent-label",
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
