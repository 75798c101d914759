import type { LocalRule } from '../rules/index.ts'
import { subject, type RulesOf } from '../stream/rules.ts'
import type { InstrumentChecked, InstrumentSet } from './instrument.ts'
import type { MixSet } from './mix.ts'
import type { ConcentrateDrawn, ConcentrateOpened, DataSheetSet, ProductSet } from './product.ts'
import type { CrewSet, RosterSet } from './roster.ts'
import type { HardnessMeasured, SiteSet } from './site.ts'
import type { SpareDrawn, SpareSet } from './spare.ts'
import type { StationSet } from './station.ts'

/** A rule of the site's own authority. It is ended by a new record with `until`, never taken out. */
export type RuleSet = Omit<LocalRule, 'id'>

interface HousePayloads {
  'site.set@1': SiteSet
  'water.measured@1': HardnessMeasured
  'station.set@1': StationSet
  'product.set@1': ProductSet
  'product.sheet@1': DataSheetSet
  'concentrate.opened@1': ConcentrateOpened
  'concentrate.drawn@1': ConcentrateDrawn
  'instrument.set@1': InstrumentSet
  'instrument.checked@1': InstrumentChecked
  'rule.set@1': RuleSet
  'mix.set@1': MixSet
  'spare.set@1': SpareSet
  'spare.drawn@1': SpareDrawn
  'roster.set@1': RosterSet
  'crew.set@1': CrewSet
}

declare module '../stream/record.ts' {
  interface Payloads extends HousePayloads {}
}

export const houseRecords: RulesOf<keyof HousePayloads> = {
  'site.set@1': { needs: 'set-up-house' },
  'water.measured@1': { needs: 'record', typed: true, tap: true },
  'station.set@1': { needs: 'set-up-house' },
  'product.set@1': { needs: 'set-up-house' },
  'product.sheet@1': { needs: 'set-up-house', tap: true },
  'concentrate.opened@1': { needs: 'record', typed: true, tap: true },
  'concentrate.drawn@1': {
    needs: 'record',
    madeBy: 'device',
    concerns: ({ station }) => subject('dish', station),
  },
  'instrument.set@1': { needs: 'set-up-house' },
  'instrument.checked@1': { needs: 'record' },
  'rule.set@1': { needs: 'set-up-house' },
  'mix.set@1': { needs: 'set-up-house' },
  'spare.set@1': { needs: 'set-up-house' },
  'spare.drawn@1': { needs: 'record', typed: true, tap: true },
  'roster.set@1': { needs: 'plan-shift' },
  'crew.set@1': { needs: 'set-up-house' },
}
