import { tradingDays } from '@tadka/core/calendar'
import {
  figuresOf,
  judgeCycle,
  limitsFor,
  traceOf,
  type CycleJudged,
  type KeptFigures,
} from '@tadka/core/warewash'
import type { Diary } from './diary.ts'
import { demoMeter, demoProbe } from './devices.ts'
import { site } from './house.ts'
import { stations } from './products.ts'

const minute = 60_000
const { from: _f, to: _t, ...blank } = figuresOf(traceOf([]), 0)
/** °C that scale takes from the rinse each day. */
const scaleADay = 0.14

/** The racks of days gone by, as the probe would have had them judged: in the rushes many, the rinse a little cooler each day. */
export function dishHistory(
  diary: Diary,
  first: string,
  days: number,
  now: number,
  random: () => number,
): CycleJudged[] {
  const plate = stations[demoProbe.station]
  const limits = plate && limitsFor(plate, site.schools ?? {}, [])
  if (!limits) return []
  const unrest = (by: number) => (random() + random() - 1) * by
  const round = (value: number) => Math.round(value * 100) / 100
  const cycles: CycleJudged[] = []
  let n = 0
  tradingDays(site, first, days + 1).forEach((day, age) => {
    let at = day.opens + 25 * minute
    while (at < Math.min(day.closes - 10 * minute, now - 2 * minute)) {
      const cut = random() < 0.012
      const rinse = 86 - scaleADay * age + unrest(0.8)
      const figures: KeptFigures = {
        ...blank,
        washSeconds: cut ? 20 : 45,
        rinseSeconds: cut ? 0 : 13,
        washLow: round(67.6 + unrest(1)),
        washMean: round(68.2 + unrest(0.5)),
        rinseLow: cut ? null : round(rinse),
        rinseLast: cut ? null : round(rinse - 0.4),
        rinseHigh: cut ? null : round(rinse + 1.6),
        secondsHot: cut ? 0 : 10,
        pressureLow: cut ? null : round(136 + unrest(3)),
        pressureHigh: cut ? null : round(143 + unrest(3)),
        a0: cut ? null : round(13 * 10 ** ((rinse - 80) / 10)),
      }
      const ending = cut ? 'door' : 'complete'
      const judgement = judgeCycle({ ...figures, from: 0, to: 0, stuck: [] }, ending, limits)
      const length = (cut ? 20 : 61) * 1000
      const cycle: CycleJudged = {
        station: demoProbe.station,
        cycle: `${demoProbe.id}.history.${n}`,
        from: Math.round(at),
        to: Math.round(at + length),
        ending,
        racks: cut ? 0 : 1,
        figures,
        judgement,
        conductivity: round(2.3 + unrest(0.08)),
        replaces: [],
      }
      cycles.push(cycle)
      diary.note(
        cycle.to + 12_000,
        demoProbe.id,
        'cycle.judged@1',
        { kind: 'dish', id: demoProbe.station },
        cycle,
      )
      n++
      // The meter on its detergent tells every ten racks.
      if (n % 10 === 0)
        diary.note(
          cycle.to + 13_000,
          demoMeter.id,
          'concentrate.drawn@1',
          { kind: 'product', id: demoMeter.of },
          { product: demoMeter.of, station: demoProbe.station, millilitres: round(40 + unrest(4)) },
        )
      const inRush = random() < 0.55
      at += length + (inRush ? 60_000 + random() * 150_000 : 420_000 + random() * 900_000)
    }
  })
  return cycles
}
