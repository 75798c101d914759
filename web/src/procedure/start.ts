import { startRun } from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import { useMessage } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useSite } from '../record/site.ts'
import { newId } from '../wire/device.ts'
import { useProcedures } from './procedures.ts'

/** Starts a run of a procedure on a station, or says why not. */
export function useStartRun() {
  const site = useSite()
  const message = useMessage()
  const procedures = useProcedures()
  const { t } = useI18n()

  /** Returns the run's id: the new one, or that of the run which is on the station already. */
  function start(stationId: string, procedureId: string): string | null {
    const station = site.one('station', stationId)
    const procedure = procedures.latest(procedureId)
    if (!station || !procedure) return null
    if (station.currentRun) {
      if (station.currentRun.procedure !== procedureId) message.warning(t('run.busy'))
      return station.currentRun.run
    }
    try {
      const id = newId()
      site.record('run.started@1', { kind: 'run', id }, startRun(id, station, procedure))
      return id
    } catch (error) {
      message.error(error instanceof Refusal ? error.message : String(error))
      return null
    }
  }
  return { start }
}
