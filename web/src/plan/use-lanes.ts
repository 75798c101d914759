import { followUpProcedure } from '@tadka/core/plan'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useProcedures } from '../site/procedures.ts'
import { useStepWords } from '../site/step-words.ts'
import { useSite } from '../site/site.ts'
import { lanesOf } from './lanes.ts'
import { usePlanner } from './planner.ts'

/** The lanes of the shift as it stands: the plan in force, pushed by what was really done. */
export function useLanes() {
  const planner = usePlanner()
  const site = useSite()
  const { latest } = useProcedures()
  const { fill } = useStepWords()
  const { t } = useI18n()
  return computed(() => {
    const { roster, inForce, look } = planner
    if (!roster) return []
    const shown = look && { plan: look.kept ?? look.best, problem: look.problem }
    const worded = (title: string, station: string, procedure: string) =>
      procedure === followUpProcedure
        ? t(`run.choice.${title}`)
        : fill(title, site.one('station', station)?.plate?.parameters ?? {}, latest(procedure))
    return lanesOf(roster, inForce, shown, site.all('run'), site.all('station'), worded)
  })
}
