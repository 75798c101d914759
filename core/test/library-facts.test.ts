import { describe, expect, it } from 'vitest'
import { typicalStation } from '../house/index.ts'
import {
  allProcedures,
  forMachine,
  fullCleans,
  latestProcedure,
  listing,
  neededNames,
  optionChange,
  pieces,
  plateStrength,
  segmentsOf,
  stationFold,
  stepsOf,
  type Each,
  type Node,
  type Procedure,
  type Step,
} from '../procedure/index.ts'

// Facts of the trade: common practice, no source, but where one is named.
const of = (id: string): Procedure => {
  const found = latestProcedure(id)
  if (!found) throw new Error(`no procedure ${id}`)
  return found
}
const step = (id: string, key: string): Step => {
  const found = stepsOf(of(id).nodes).find((s) => s.id === key)
  if (!found) throw new Error(`${id} has no step ${key}`)
  return found
}
const order = (id: string, options: Record<string, string> = {}): string[] =>
  listing(of(id), options).flatMap((l) => (l.kind === 'step' ? [l.step.id] : []))
/** Whether these steps stand in this order. */
const inOrder = (id: string, keys: readonly string[], options: Record<string, string> = {}) => {
  const all = order(id, options)
  const places = keys.map((k) => all.indexOf(k))
  expect(places, `${keys.join(', ')} in ${all.join(', ')}`).not.toContain(-1)
  expect(places).toEqual(places.toSorted((a, b) => a - b))
}
const lanes = (nodes: readonly Node[]): Each[] => nodes.filter((n): n is Each => n.kind === 'each')
const partIds = (id: string, key: string, options: Record<string, string> = {}) => {
  const found = stepsOf(forMachine(of(id), {}, options).nodes).find((s) => s.id === key)
  return found?.kind === 'parts' ? found.parts.map((p) => p.id) : []
}

describe('slush and granita', () => {
  it.each(['slush.in-place', 'slush.close', 'slush.open', 'slush.by-hand'])(
    '%s: bowls stand on the plate, amounts are for one, and each has a lane',
    (id) => {
      expect(of(id).parameters['bowls']).toBe('count')
      const each = lanes(of(id).nodes)
      expect(each.map((e) => [e.unit, e.count])).toEqual(each.map(() => ['bowl', { of: 'bowls' }]))
      const inLanes = each.flatMap((e) => stepsOf(e.steps)).filter((s) => s.kind === 'mix')
      expect(stepsOf(of(id).nodes).filter((s) => s.kind === 'mix')).toEqual(inLanes)
      expect(
        inLanes.every((s) => s.kind === 'mix' && typeof s.volume === 'object' && s.volume.of === 'rinse'),
      ).toBe(true)
    },
  )
  it('what is mixed grows with the bowls', () => {
    const mixes = (bowls: number) =>
      segmentsOf(of('slush.open'), {
        parameters: { bowls, rinse: 8000, pailHolds: 9000, sanitize: 5 },
        options: {},
      }).segments.filter((s) => s.free).length
    expect([1, 2, 3].map(mixes)).toEqual([1, 2, 3])
  })
  it('closing leaves the parts out to dry overnight; opening begins from there', () => {
    expect(of('slush.close').ends).toMatchObject({ contents: 'empty', assembly: 'drying' })
    expect(of('slush.open').begins).toMatchObject({ hygiene: 'clean', assembly: 'drying' })
  })
  it('by hand, parts may go back damp: sanitizing in place follows', () => {
    expect(step('slush.by-hand', 'parts-in').text).toMatch(/go back damp/)
    inOrder('slush.by-hand', ['parts-in', 'sanitizer-pour', 'sanitizer-run', 'prime'])
  })
  it.each(['slush.in-place', 'slush.close', 'slush.by-hand'])(
    '%s: the evaporator is wiped on top and below; lighted lids are never soaked',
    (id) => {
      expect(step(id, 'wipe').title).toMatch(/on top and below/)
      expect(step(id, 'wipe').text).toMatch(/never soaked/)
    },
  )
  it('shaft-seal assemblies and blades are among the parts', () =>
    expect(partIds('slush.close', 'parts-out')).toEqual(expect.arrayContaining(['shaft-seal', 'blade'])))
  it('the dust filter has a duty of its own', () =>
    expect(order('slush.filter')).toEqual(['off', 'filter', 'back']))
  it('seals are lubricated on both faces, whether the gasket is or not', () => {
    for (const key of ['lubricate', 'lubricate-dry']) {
      const found = step('slush.by-hand', key)
      expect(found.kind === 'lubricate' && found.yes.map((y) => y.part)).toContain('Shaft seals, both faces')
    }
  })
  it('hands are sanitized before product goes in', () => inOrder('slush.open', ['hands', 'prime']))
})

describe('custard', () => {
  it('the empty hoppers chill first, then they are filled', () =>
    inOrder('custard.open', ['hands', 'chill', 'fill', 'prime']))
  it('warms with the beater off, then it goes on', () => {
    inOrder('custard.close', ['warm', 'beat', 'run-out'])
    expect(step('custard.close', 'warm')).toMatchObject({ kind: 'wait', during: { power: 'off' } })
    expect(step('custard.close', 'beat').effects).toMatchObject({ power: 'agitating' })
  })
  it('the flow number is approached from fully open, kept, and judged after 3 to 5 min', () => {
    inOrder('custard.open', ['from-open', 'flow', 'judge'])
    expect(step('custard.open', 'flow').kind).toBe('read')
    expect(step('custard.open', 'judge')).toMatchObject({ kind: 'wait', length: 3, most: 5 })
  })
  it('water ice: 3 min, then shut for half a minute until it stands; no flow number', () => {
    const water = order('custard.open', { run: 'water-ice' })
    expect(water).toEqual(expect.arrayContaining(['ice', 'shut', 'look']))
    expect(water).not.toContain('flow')
    expect(step('custard.open', 'ice')).toMatchObject({ length: 3 })
    expect(step('custard.open', 'shut')).toMatchObject({ length: 0.5 })
  })
  it('held, it runs out for 3 min by a timer, and the beater goes off when it stops', () => {
    inOrder('custard.hold', ['hold', 'run-out', 'beater-off', 'rake'])
    expect(step('custard.hold', 'run-out')).toMatchObject({ kind: 'wait', length: 3 })
  })
  it('the squeeze bottle is mixed and tested before it is used', () =>
    inOrder('custard.hold', ['bottle-mix', 'bottle-check', 'spray']))
  it('twelve blades and springs a barrel, whatever the barrels', () => {
    const count = (barrels: number) => {
      const found = stepsOf(forMachine(of('custard.close'), { barrels }, {}).nodes).find(
        (s) => s.id === 'parts-out',
      )
      return found?.kind === 'parts'
        ? found.parts.filter((p) => p.id.startsWith('blade')).reduce((n, p) => n + p.count, 0)
        : 0
    }
    expect([1, 2, 3].map(count)).toEqual([12, 24, 36])
  })
  it('feed-tube rings and the rear drip pans are counted, the cabinet is wiped', () => {
    expect(partIds('custard.close', 'parts-out')).toEqual(expect.arrayContaining(['tube-ring', 'pan']))
    expect(order('custard.close')).toContain('cabinet')
  })
})

describe('soft-serve', () => {
  it('twin: which way the blades go is shown before they go in, with both reasons', () => {
    inOrder('soft-serve-twin.open', ['blades', 'parts-in'])
    const blades = step('soft-serve-twin.open', 'blades')
    expect(blades.kind === 'fasten' && blades.why).toMatch(/do not scrape.*cut into the barrel/)
  })
  it.each(['pea', 'film', 'packed'] as const)(
    'twin: a model that asks for "%s" in its shaft seals gets it',
    (amount) => {
      const found = stepsOf(forMachine(of('soft-serve-twin.open'), {}, { 'shaft-seal': amount }).nodes)
      const seals = found
        .flatMap((s) => (s.kind === 'lubricate' ? s.yes : []))
        .filter((y) => /shaft seals/.test(y.part))
      expect(seals.map((y) => y.amount)).toEqual([amount])
    },
  )
  it('pumped: bled by the prime plug in rinse and wash; the level probe is brushed', () => {
    inOrder('soft-serve-pump.close', ['fill', 'bleed', 'drain', 'wash-pour', 'wash-bleed', 'wash-drain'])
    expect(order('soft-serve-pump.close')).toContain('probe')
  })
  it('soft-serve standby: clean hands, the tube turned over, the mix read; back from it the mix is read before it freezes', () => {
    inOrder('soft-serve-gravity.standby', ['hands', 'tube', 'standby', 'product-check'])
    expect(step('soft-serve-gravity.standby', 'tube').text).toContain('without the hole')
    inOrder('soft-serve-gravity.resume', ['product-check', 'hands', 'tube', 'freeze', 'first-draw'])
    expect(latestProcedure('soft-serve-gravity.standby')?.ends).toEqual({
      contents: 'product',
      power: 'standby',
    })
  })
  it('flush module: the line is drawn and stands while the cycle runs, after the bay was tested', () => {
    const cip = latestProcedure('flush-module.cip')?.nodes.find((n) => n.id === 'cip')
    const lanes = cip?.kind === 'together' ? cip.lanes : []
    expect(lanes.map((l) => l.id)).toEqual(['module', 'line', 'sink'])
    expect(lanes[1]?.steps.map((s) => s.id)).toEqual(['line-draw', 'line-contact', 'line-dry'])
    expect(step('flush-module.cip', 'line-contact')).toMatchObject({ kind: 'wait', of: 'contact' })
    inOrder('flush-module.cip', ['bay-mix', 'bay-check', 'line-draw'])
    expect(step('flush-module.cip', 'cups').spare).toBe(true)
  })
  it('flush module: cups are counted, it ends whole and sanitized, the first portion is thrown away', () => {
    expect(step('flush-module.cip', 'cups-count')).toMatchObject({
      kind: 'read',
      from: { of: 'cups' },
      to: { of: 'cups' },
    })
    inOrder('flush-module.cip', [
      'bay-mix',
      'bay-check',
      'draw',
      'contact',
      'spigots-in',
      'freeze',
      'first',
      'product-check',
    ])
    expect(step('flush-module.cip', 'spigots-in').effects).toMatchObject({
      assembly: 'whole',
      hygiene: 'sanitized',
    })
  })
})

describe('flush module: what the pumps draw', () => {
  it('product and strength of the front bay go by the plate; without a word of it, by the label alone', () => {
    expect(step('flush-module.cip', 'bay-mix')).toMatchObject({
      use: 'frozen-dessert',
      amount: { of: 'bayProduct' },
    })
    const other = order('flush-module.cip', { bay: 'utensils' })
    expect(other).toContain('bay-mix-utensils')
    expect(other).not.toContain('bay-mix')
    expect(step('flush-module.cip', 'bay-check-utensils')).toMatchObject({ use: 'utensils' })
    const check = step('flush-module.cip', 'bay-check')
    expect(plateStrength(check, {})).toBeNull()
    expect(plateStrength(check, { bayLow: 150, bayHigh: 200 })).toEqual({ lo: 150, hi: 200 })
    expect(plateStrength(check, { bayLow: 150 })).toEqual({ lo: 150, hi: null })
    expect(neededNames(of('flush-module.cip'))).not.toContain('bayLow')
  })
})

describe('blender', () => {
  it('every jar comes apart, blade unit and seal too, and goes together counted', () => {
    const count = (id: string, key: string) => {
      const found = stepsOf(forMachine(of(id), { jars: 3 }, {}).nodes).find((s) => s.id === key)
      return found?.kind === 'parts' ? found.parts.map((p) => [p.id, p.count]) : []
    }
    const all = ['jar', 'lid', 'lid-plug', 'blade', 'seal'].map((id) => [id, 3])
    expect(count('blender.clean', 'parts-out')).toEqual(all)
    expect(count('blender.clean', 'parts-in')).toEqual(all)
  })
  it('is unplugged before a hand comes near the blades, and rinsed cool first', () =>
    inOrder('blender.clean', [
      'empty',
      'isolate',
      'parts-out',
      'rinse',
      'wash',
      'check',
      'soak',
      'parts-in',
      'plug',
    ]))
  it('is washed, rinsed and sanitized again every 4 hours in use: FDA Food Code 2022, 4-602.11(C)', () =>
    expect(typicalStation('blender', 'metric')?.duties).toContainEqual(
      expect.objectContaining({
        procedure: 'blender.clean',
        trigger: { kind: 'hours', hours: 4, counts: 'in-use' },
      }),
    ))
  it('a change of mix to other allergens asks for taking it apart, as on a batch freezer', () => {
    const whole = stationFold.initial('b')
    const state = { ...whole, facets: { ...whole.facets, assembly: 'whole', contents: 'product' } } as const
    const family = allProcedures().filter((p) => p.family === 'blender')
    expect(fullCleans(state, family).map((p) => p.id)).toEqual(['blender.clean'])
  })
})

describe('batch freezer', () => {
  it('every ring is lubricated again, the rear seal with either beater', () => {
    for (const beater of ['solid', 'bladed']) {
      expect(partIds('batch.open', 'parts-in', { beater })).toContain('rear-seal')
      const yes = stepsOf(forMachine(of('batch.open'), {}, { beater }).nodes).flatMap((s) =>
        s.kind === 'lubricate' ? s.yes.map((y) => y.part) : [],
      )
      expect(yes).toContain('Seal behind the beater')
      expect(yes.includes('Blade O-rings')).toBe(beater === 'bladed')
      expect(yes.at(-1)).toBe('Large door ring')
    }
  })
  it('a batch is between a quarter of the cylinder and half of it', () =>
    expect(step('batch.open', 'size')).toMatchObject({
      unit: 'mL',
      from: { of: 'cylinder', times: 0.25 },
      to: { of: 'cylinder', times: 0.5 },
    }))
})

describe('ice', () => {
  it('cube: the second cycle has a dose that is worked out', () =>
    inOrder('ice-cube.half-year', ['parts-in', 'cycle-mix', 'power', 'sanitizer-run']))
  it('cube: roof and door gap are wiped too', () =>
    expect(step('ice-cube.half-year', 'wipe').title).toMatch(/roof.*door gap/))
  it('nugget: mixed in a pail and poured to the line, the rest kept for topping up', () => {
    expect(step('ice-nugget.half-year', 'descaler-mix')).toMatchObject({ vessel: 'pail' })
    expect(step('ice-nugget.half-year', 'descaler-fill').text).toMatch(/topping up/)
  })
  it('nugget, soaked: a full gallon of sanitizer by hand, the water off', () => {
    const soak = order('ice-nugget.half-year', { school: 'soak' })
    expect(soak).toEqual(expect.arrayContaining(['sanitizer-gallon', 'sanitizer-by-hand']))
    expect(soak).not.toContain('sanitizer-fill')
    const inPlace = order('ice-nugget.half-year', { school: 'in-place' })
    expect(inPlace).not.toContain('sanitizer-by-hand')
    expect(step('ice-nugget.half-year', 'sanitizer-by-hand').title).toMatch(/^Water off/)
  })
  it('nugget: the parts have a pail of their own, mixed and tested', () =>
    inOrder('ice-nugget.half-year', ['parts-mix', 'parts-check', 'parts-sanitize', 'parts-contact']))
  it('nugget: which way the reverse thread opens is shown before it is loosened, and again as it is refitted', () => {
    inOrder('ice-nugget.half-year', ['cover-off', 'parts-out', 'parts-in', 'cover'])
    for (const key of ['cover-off', 'cover'])
      expect(step('ice-nugget.half-year', key)).toMatchObject({ how: 'reverse-thread' })
  })
})

describe('the dish room', () => {
  it('end caps stay in, or come out and are counted, by the model', () => {
    expect(partIds('dish-machine.close', 'parts-out')).not.toContain('cap')
    expect(partIds('dish-machine.close', 'parts-out', { caps: 'out' })).toContain('cap')
  })
  it('is rinsed again after the mild cleaner', () =>
    inOrder('dish-machine.close', ['inside', 'inside-rinse']))
  it('arms that do not spin have a way on', () => {
    const branches = of('dish-machine.open').nodes.filter((n) => n.kind === 'branch' && n.on === 'spin')
    expect(branches).toMatchObject([{ chose: ['blocked'] }])
  })
  it('what feeds the booster is read against its own plate', () =>
    expect(step('dish-machine.open', 'feed')).toMatchObject({ unit: '°C', from: { of: 'feedC' } }))
  it('delimed: looked at and run again in the same bath, drained last, then rinsed clear', () => {
    inOrder('dish-machine.delime', ['pour', 'run', 'look', 'drain', 'rinse', 'feeds-on'])
    const rounds = of('dish-machine.delime').nodes.find((n) => n.id === 'delime')
    const inside = rounds?.kind === 'until' ? stepsOf(rounds.steps).map((s) => s.id) : []
    expect(inside).toEqual(['run', 'look'])
    expect(step('dish-machine.delime', 'look').text).toMatch(/three rounds: stop here and call/)
  })
  it.each([
    ['wash', ['drain-1', 'wash-fill', 'wash-check']],
    ['rinse', ['drain-2', 'rinse-fill']],
    ['sanitizer', ['drain-3', 'sanitizer-mix', 'sanitizer-check']],
  ])('sink: only the compartment that is spent is changed: %s', (choice, keys) => {
    const opened = of('sink.change').nodes.flatMap((n) =>
      n.kind === 'branch' && n.chose?.includes(choice) ? stepsOf(n.steps).map((s) => s.id) : [],
    )
    expect(opened.filter((k) => keys.includes(k))).toEqual(keys)
    expect(opened.filter((k) => k.startsWith('drain'))).toHaveLength(1)
  })
})

describe('grinder', () => {
  it('its zero is typed and judged by the plate, where it calibrates itself', () => {
    expect(step('grinder.weekly', 'zero-read')).toMatchObject({
      unit: 'µm',
      from: { of: 'burrZeroLow' },
      to: { of: 'burrZeroHigh' },
    })
    expect(order('grinder.weekly', { built: 'plain' })).not.toContain('zero-read')
  })
  it('the chamber is empty before it is calibrated, as a gate', () => {
    inOrder('grinder.weekly', ['empty', 'plug', 'calibrate'])
    expect(step('grinder.weekly', 'empty').kind).toBe('gate')
  })
  it('with electronics it has side screws and a dosing screw; the bypass chamber is brushed in any', () => {
    expect(partIds('grinder.weekly', 'parts-out', { built: 'plain' })).not.toContain('side-screw')
    expect(partIds('grinder.weekly', 'parts-out')).toEqual(
      expect.arrayContaining(['side-screw', 'dosing-screw']),
    )
    expect(order('grinder.weekly', { built: 'plain' })).toContain('bypass')
  })
})

describe('every procedure of the library', () => {
  it.each(allProcedures().map((p) => [p.id, p] as const))(
    '%s: what was cut off is switched on again by a step of its own before anything runs',
    (_, p) => {
      let cut = p.begins?.power === 'isolated'
      for (const s of stepsOf(p.nodes)) {
        if (s.kind === 'gate' && s.by) cut = true
        else if (/plug in|breaker on|power on|on at the wall/i.test(s.title)) cut = false
        const runs =
          (s.kind === 'wait' || s.kind === 'tend') &&
          s.during?.power !== undefined &&
          s.during.power !== 'off'
        if (runs) expect([s.id, cut]).toEqual([s.id, false])
      }
    },
  )
  it.each(allProcedures().map((p) => [p.id, p] as const))(
    '%s: what comes out goes in again by the same list, for one, two and three barrels or bowls',
    (_, p) => {
      for (const n of [1, 2, 3]) {
        const numbers = Object.fromEntries(neededNames(p).map((name) => [name, n]))
        for (const option of p.options?.flatMap((o) => o.choices.map((c) => ({ [o.id]: c.id }))) ?? [{}]) {
          const steps = stepsOf(forMachine(p, numbers, option).nodes)
          for (const out of steps)
            for (const back of steps)
              if (
                out.kind === 'parts' &&
                back.kind === 'parts' &&
                out.direction === 'out' &&
                back.direction === 'in'
              )
                if (out.parts[0]?.id === back.parts[0]?.id && !out.when && !back.when)
                  expect(pieces(back)).toBeGreaterThanOrEqual(pieces(out))
        }
      }
    },
  )
  /** Titles of what a choice adds and leaves out. Common practice, no source: schools across machines. */
  const changed = (id: string, option: string, choice: string) => {
    const { adds, leavesOut } = optionChange(of(id), option, choice)
    return { adds: adds.map((s) => s.id), leavesOut: leavesOut.map((s) => s.id) }
  }
  it('schools: the mix that is left is kept, or always thrown out, wherever mix is drained', () => {
    const ids = allProcedures()
      // What is run out of a custard freezer is always thrown out.
      .filter((p) => p.family !== 'custard' && stepsOf(p.nodes).some((s) => s.kind === 'product'))
      .map((p) => p.id)
    for (const id of ids)
      expect([id, changed(id, 'leftover', 'discard')]).toEqual([
        id,
        { adds: ['throw-out'], leavesOut: ['product'] },
      ])
  })
  it('schools: the rinse after dairy is cool first in either, then lukewarm too', () => {
    for (const id of ['soft-serve-gravity.close', 'soft-serve-pump.close']) {
      const { adds, leavesOut } = changed(id, 'first-rinse', 'cool-lukewarm')
      expect(leavesOut).toEqual([])
      expect(adds).toContain('fill')
      const steps = order(id, { 'first-rinse': 'cool-lukewarm' })
      expect(steps.filter((s) => s === 'fill')).toHaveLength(2)
    }
  })
  it('schools: detergent through the machine before it is stripped, or clear water, or sanitizer, which makes nothing sanitized', () => {
    const id = 'soft-serve-gravity.close'
    const wash = ['wash-mix', 'wash-pour', 'wash-agitate', 'wash-drain']
    expect(changed(id, 'before-stripping', 'rinse')).toEqual({ adds: [], leavesOut: wash })
    const { adds, leavesOut } = changed(id, 'before-stripping', 'sanitizer')
    expect(leavesOut).toEqual(wash)
    expect(adds).toEqual(wash.map((s) => s.replace('wash', 'sanitizer')))
    for (const key of adds) expect(step(id, key).effects?.hygiene).toBeUndefined()
  })
  it('schools: parts are sanitized at night too, where the manual asks: rinsed before, for a contact time', () => {
    for (const id of ['soft-serve-gravity.close', 'soft-serve-pump.close']) {
      inOrder(id, ['brush', 'parts-rinse', 'parts-soak', 'lay-out'], { night: 'sanitized' })
      expect(step(id, 'parts-soak')).toMatchObject({ of: 'contact', length: 5 })
    }
  })
  it('schools: each choice of each option changes a step, or what it counts or lubricates', () => {
    for (const p of allProcedures())
      for (const o of p.options ?? [])
        for (const c of o.choices.filter((x) => x.id !== o.fallback)) {
          const { adds, leavesOut, changes } = optionChange(p, o.id, c.id)
          expect([p.id, o.id, c.id, adds.length + leavesOut.length + changes.length > 0]).toEqual([
            ...[p.id, o.id, c.id],
            true,
          ])
        }
  })
  it.each(allProcedures().map((p) => [p.id, p] as const))(
    '%s: no sentence gives a number in the units of one half of the world',
    (_, p) => {
      const said = stepsOf(p.nodes).flatMap((s) => [s.title, s.text ?? '', s.caution ?? ''])
      const bare = said.map((text) => text.replaceAll(/\{[^}]*\}/g, ''))
      for (const text of [...bare, ...p.cautions])
        expect(text).not.toMatch(/\d ?(°C|°F|mL|L|litres?|cm|mm|kPa|kg|g|gal|in|psi)\b/)
    },
  )
})
