import { bathRecords } from '../bath/records.ts'
import { caseRecords } from '../case/records.ts'
import { foodRecords } from '../food/records.ts'
import { houseRecords } from '../house/records.ts'
import { incidentRecords } from '../incident/records.ts'
import { loggerRecords } from '../logger/records.ts'
import { peopleRecords } from '../people/records.ts'
import { planRecords } from '../plan/records.ts'
import { procedureRecords } from '../procedure/records.ts'
import { readingRecords } from '../reading/records.ts'
import type { Permission } from '../rights/index.ts'
import type { RecordType } from '../stream/record.ts'
import type { MadeBy, RecordRules, RulesOf } from '../stream/rules.ts'
import { roundRecords } from '../round/records.ts'
import { stockRecords } from '../stock/records.ts'
import { pestRecords } from '../pest/records.ts'
import { visitRecords } from '../visit/records.ts'
import { shelfRecords } from '../shelf/records.ts'
import { faultRecords } from '../fault/records.ts'
import { labRecords } from '../lab/records.ts'
import { taskRecords } from '../task/records.ts'
import { rerunRecords } from '../rerun/records.ts'
import { dishRecords } from '../warewash/records.ts'
import { trainingRecords } from '../training/records.ts'
import { logRecords } from './records.ts'

/** What holds for each type of record; each room says it of its own. */
const rules: RulesOf<RecordType> = {
  ...houseRecords,
  ...peopleRecords,
  ...readingRecords,
  ...bathRecords,
  ...caseRecords,
  ...procedureRecords,
  ...planRecords,
  ...dishRecords,
  ...loggerRecords,
  ...rerunRecords,
  ...trainingRecords,
  ...incidentRecords,
  ...foodRecords,
  ...roundRecords,
  ...taskRecords,
  ...pestRecords,
  ...visitRecords,
  ...shelfRecords,
  ...faultRecords,
  ...labRecords,
  ...stockRecords,
  ...logRecords,
}

export const recordTypes = Object.keys(rules) as readonly RecordType[]

/** What holds for a type; null for one that is not known here yet: a tablet may be older than the server. */
export const rulesOf = <T extends RecordType>(type: T): RecordRules<T> | null =>
  Object.hasOwn(rules, type) ? rules[type] : null

/** The permission that a type of record needs. */
export const permissionFor = (type: RecordType): Permission => rules[type].needs

export const madeBy = (type: RecordType): MadeBy => rules[type].madeBy ?? 'person'
