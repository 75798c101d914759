import { tasksOpen, type TaskOpen, type TaskSet } from '@tadka/core/task'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { newId } from '../wire/device.ts'

/** What is to be done by a day: all that is open, as whoever acts comes to it. */
export function useTasks() {
  const site = useSite()
  const session = useSession()
  const names = useNames()
  const { t } = useI18n()
  const { date } = useTimes()
  const { today } = useProcedures()
  const me = computed(() => session.acting?.id ?? null)
  const open = computed(() => tasksOpen(site.all('task'), today.value, me.value))
  /** What somebody is to see on their own shift: late or due today, and theirs or nobody's; a lead sees what is late of all. */
  const asking = computed(() =>
    open.value.filter((o) => {
      const isTheirs = o.owner === null || o.owner === me.value
      return o.is === 'late' ? isTheirs || session.mayDo('close-case') : o.is === 'today' && isTheirs
    }),
  )
  const to = (id: string) => ({ kind: 'task', id }) as const
  return {
    today,
    open,
    asking,
    write: (task: TaskSet, id: string = newId()) => site.record('task.set@1', to(id), task),
    done: ({ id, say }: TaskOpen, note: string, photo: string | null) =>
      site.record('task.done@1', to(id), { say, note, photo }),
    drop: ({ id, say }: TaskOpen, reason: string) => site.record('task.dropped@1', to(id), { say, reason }),
    /** "today, yours", "late since 3 December, Bao". */
    said: (o: TaskOpen) => {
      const whose =
        o.owner === null ? t('task.nobody') : o.owner === me.value ? t('task.mine') : names.person(o.owner)
      return `${t(`task.${o.is}`, { day: date(o.due) })}, ${whose}`
    },
  }
}
