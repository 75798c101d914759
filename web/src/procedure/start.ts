import { baseOf, startFaults, startInForce, startRun } from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import { useMessage } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { useSite } from '../site/site.ts'
import { newId } from '../wire/device.ts'
import { useLacking } from './have-ready.ts'
import { useProcedures } from '../site/procedures.ts'

/** Starts a run of a procedure on a station; where it does not fit, goes to what is to be done first. */
export function useStartRun() {
  const site = useSite()
  const message = useMessage()
  const procedures = useProcedures()
  const router = useRouter()
  const { t } = useI18n()
  const lacking = useLacking()

  const open = (run: string) => void router.push(`/run/${run}`)

  /** @param anyway though no product is entered for something that it mixes: the amounts are then not worked out. */
  function start(stationId: string, procedureId: string, anyway = false): void {
    const station = site.one('station', stationId)
    const procedure = procedures.latest(procedureId)
    if (!station || !procedure) return
    if (station.currentRun) {
      if (station.currentRun.procedure !== baseOf(procedureId)) message.warning(t('run.busy'))
      return open(station.currentRun.run)
    }
    const lacks = !anyway && lacking(procedure, station.plate?.options ?? {}).length > 0
    if (lacks || startFaults(procedure, station).length > 0)
      return void router.push(`/run/begin/${stationId}/${procedureId}`)
    try {
      // What is missing on the plate is told before anything is begun.
      startInForce(station, procedure)
      const id = newId()
      site.record('run.started@2', { kind: 'run', id }, startRun(id, stationId, procedure))
      open(id)
    } catch (error) {
      message.error(error instanceof Refusal ? error.message : String(error))
    }
  }
  return { start, open }
}
