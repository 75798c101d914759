import { describe, expect, it } from 'vitest'
import { likelyFaults, type Pattern, type Seen } from '../../warewash/index.ts'

const sound: Seen = {
  missing: 0,
  stuck: false,
  washLow: 68,
  rinseLow: 84,
  rinseHigh: 85,
  pressureLow: 135,
  pressureHigh: 145,
}
const cycles = (...changes: Partial<Seen>[]): Seen[] => [
  ...new Array<Seen>(8).fill(sound),
  ...changes.map((c) => ({ ...sound, ...c })),
]
const four = (change: Partial<Seen>) => cycles(change, change, change, change)
const pattern = (change: Partial<Pattern>): Pattern => ({
  cycles: cycles(sound),
  rate: { racks: 20, rated: 40 },
  limits: { wash: 66, rinse: 82, pressureLow: 100, pressureHigh: 170 },
  rinseTrend: null,
  detergent: 'kept',
  sanitizer: null,
  rejects: {},
  ...change,
})
const sinking = { slope: -0.2, slopeLow: -0.25, slopeHigh: -0.15, now: 82.5, lastDay: 12 }

/** Common practice, no source: what each pattern points at. */
describe('the likely cause of what the cycles show', () => {
  it.each<[string, Partial<Pattern>, string[]]>([
    ['nothing odd', {}, []],
    ['nothing run', { cycles: [] }, []],
    [
      'a tank that cools from rack to rack',
      { cycles: cycles({ washLow: 68 }, { washLow: 67 }, { washLow: 65.5 }, { washLow: 63 }) },
      ['low-tank'],
    ],
    [
      'a rinse that was never hotter',
      { cycles: new Array<Seen>(8).fill({ ...sound, rinseLow: 80 }) },
      ['cold-feed'],
    ],
    [
      'more racks than it is made for',
      { cycles: four({ rinseLow: 80, rinseHigh: 81 }), rate: { racks: 48, rated: 40 } },
      ['booster-behind'],
    ],
    [
      'a rinse that sank over days',
      { cycles: four({ rinseLow: 82.4 }), rinseTrend: sinking },
      ['scaled-booster'],
    ],
    [
      'a rinse that fell at once',
      { cycles: four({ rinseLow: 62, rinseHigh: 63 }), rinseTrend: sinking },
      ['element-out'],
    ],
    ['pressure held back', { cycles: four({ pressureHigh: 190 }) }, ['clogged-arm']],
    ['pressure gone', { cycles: four({ pressureLow: 60 }) }, ['low-pressure']],
    ['a probe that stands still', { cycles: cycles({ stuck: true, rinseLow: null }) }, ['probe-stuck']],
    ['samples that go missing', { cycles: four({ missing: 9 }) }, ['stream-gaps']],
    [
      'too little sanitizer at the rack, and no cycle seen',
      { sanitizer: 'weak', cycles: [] },
      ['sanitizer-weak'],
    ],
    ['too much sanitizer', { sanitizer: 'strong' }, ['sanitizer-strong']],
    ['detergent gone', { detergent: 'empty' }, ['detergent-empty']],
  ])('%s', (_, change, faults) => expect(likelyFaults(pattern(change)).map((l) => l.fault)).toEqual(faults))
  it.each([
    ['soil', 'ware-soiled'],
    ['spots', 'rinse-aid-low'],
    ['suds', 'suds-left'],
  ] as const)('%s on three pieces sent back points at %s; two do not, nor do chips', (sign, fault) => {
    const of = (rejects: Pattern['rejects']) => likelyFaults(pattern({ rejects })).map((l) => l.fault)
    expect(of({ [sign]: 3 })).toContain(fault)
    expect(of({ [sign]: 2, chipped: 9 })).not.toContain(fault)
  })
  it('says where to look first, and leaves electricity to its trade', () => {
    const [found] = likelyFaults(pattern({ cycles: four({ rinseLow: 62, rinseHigh: 63 }) }))
    expect(found).toMatchObject({ fault: 'element-out', who: 'licensed-trade' })
    expect(found?.look.length).toBeGreaterThan(0)
  })
})
