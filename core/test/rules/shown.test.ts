import { describe, expect, it } from 'vitest'
import { showDifference, showHardness, showMeasured, showPressure, showRead } from '../../quantity/index.ts'
import { modelCode, showLimit, showPressureLimit } from '../../rules/index.ts'

describe('a limit on a site in US units', () => {
  const { wash, rinse, pressure, surface } = modelCode.dishMachine
  it.each([
    ...Object.values(wash).map((w) => w.pair),
    rinse.leastSingle,
    rinse.leastOther,
    rinse.most,
    surface.pair,
    modelCode.washWater.pair,
    modelCode.hotWaterByHand.pair,
  ])('of $c °C is written $f °F, as FDA Food Code 2022 pairs them, not as it would convert', ({ c, f }) => {
    expect(showLimit(c, 'us')).toEqual({ value: String(f), unit: '°F' })
    expect(showLimit(c, 'metric')).toEqual({ value: String(c), unit: '°C' })
  })
  it('of a plate that the code does not pair is converted', () =>
    expect(showLimit(85, 'us')).toEqual({ value: '185', unit: '°F' }))
  it('of the rinse’s pressure is 5 and 30 psi (4-501.113), a plate’s own is converted', () => {
    expect(showPressureLimit(pressure.kPa.lo, 'us')).toEqual({ value: '5', unit: 'psi' })
    expect(showPressureLimit(pressure.kPa.hi, 'us')).toEqual({ value: '30', unit: 'psi' })
    expect(showPressureLimit(100, 'us')).toEqual({ value: '14.5', unit: 'psi' })
    expect(showPressureLimit(100, 'metric')).toEqual({ value: '100', unit: 'kPa' })
  })
})

describe('what a probe reads', () => {
  it('is shown to a tenth in either system: just below a limit is not shown as the limit', () => {
    expect(showRead(81.9, 'metric')).toEqual({ value: '81.9', unit: '°C' })
    expect(showRead(81.9, 'us')).toEqual({ value: '179.4', unit: '°F' })
  })
  it('sinks by a difference of degrees, not by a temperature', () =>
    expect(showDifference(0.5, 'us', 2)).toEqual({ value: '0.9', unit: '°F' }))
  it('of hardness is 17.1 mg/L to a grain a gallon, as water treatment has it (common practice, no source)', () => {
    expect(showHardness(171.2, 'us')).toEqual({ value: '10', unit: 'gpg' })
    expect(showHardness(120, 'metric')).toEqual({ value: '120', unit: 'mg/L' })
  })
  it('of pressure is in whole kPa, or psi to a tenth', () => {
    expect(showPressure(140, 'metric')).toEqual({ value: '140', unit: 'kPa' })
    expect(showPressure(140, 'us')).toEqual({ value: '20.3', unit: 'psi' })
  })
})

describe('what was measured out', () => {
  it.each([
    [12.5, '12.5 mL', '0.42 fl oz'],
    [3.7, '3.7 mL', '0.13 fl oz'],
    [6250, '6.25 L', '1.65 gal'],
  ])('%d mL is told as it was, not rounded to look well: %s, %s', (mL, metric, us) => {
    const told = (system: 'metric' | 'us') => Object.values(showMeasured(mL, system)).join(' ')
    expect([told('metric'), told('us')]).toEqual([metric, us])
  })
})
