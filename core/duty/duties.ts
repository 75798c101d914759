import type { StationState } from '../procedure/index.ts'
import type { StationDuty } from '../house/station.ts'

/** What falls due on a station; nothing on one that stands there no more. */
export const dutiesOf = ({ plate }: Pick<StationState, 'plate'>): readonly StationDuty[] =>
  plate === null || plate.retired ? [] : plate.duties
