<script setup lang="ts">
import { followUpProcedure } from '@tadka/core/plan'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { useStartRun } from '../procedure/start.ts'
import { useSession } from '../rights/session.ts'
import FamilyMark from '../site/FamilyMark.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { now } from '../wire/clock.ts'
import { nextOf } from './next.ts'
import { usePlanner } from './planner.ts'
import { useLanes } from './use-lanes.ts'

/** What the plan gives whoever holds the tablet: the next of it large, with the machine told apart, and one tap to begin. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const names = useNames()
const planner = usePlanner()
const router = useRouter()
const { clock } = useTimes()
const { start } = useStartRun()
const lanes = useLanes()

const next = computed(() => {
  const lane = lanes.value.find((l) => l.person === session.acting?.id && !l.away)
  return lane ? nextOf(lane, now()) : null
})
const bar = computed(() => next.value?.now ?? null)
const plate = computed(() => (bar.value ? (site.one('station', bar.value.station)?.plate ?? null) : null))
const where = computed(() => (bar.value && bar.value.state !== 'break' ? names.where(bar.value.station) : ''))
const isRunning = computed(() => !!bar.value && site.one('station', bar.value.station)?.currentRun)
const procedure = computed(() => {
  const id = bar.value?.run
  const planned = planner.look?.problem.runs.find((r) => r.id === id)?.procedure
  return planned ?? (id ? site.one('run', id)?.procedure?.id : undefined) ?? null
})
const title = computed(() => {
  const b = bar.value
  // The plan's times come a moment after its page: until then nobody is told that they have nothing to do.
  if (!b && !planner.look) return t('plan.yours.coming')
  if (!b)
    return !next.value || next.value.leaves === null
      ? t('plan.free')
      : t('plan.mayGo', { time: clock(next.value.leaves) })
  if (b.state === 'break') return t('plan.break')
  const isOwnRun = procedure.value !== null && procedure.value !== followUpProcedure
  return `${names.station(b.station)}: ${isOwnRun && procedure.value ? names.procedure(procedure.value) : b.title}`
})
const when = computed(() => {
  const b = bar.value
  if (!b) return ''
  return b.from <= now() ? t('plan.yours.now') : t('plan.yours.at', { time: clock(b.from) })
})
/** Where in it: the step that comes. */
const step = computed(() =>
  bar.value && bar.value.state !== 'break' && !title.value.endsWith(bar.value.title) ? bar.value.title : '',
)
const then = computed(() => {
  const b = next.value?.then
  if (!b) return ''
  const what = b.state === 'break' ? t('plan.break') : `${names.station(b.station)}: ${b.title}`
  return t('plan.then', { time: clock(b.from), what })
})

function begin(): void {
  if (!bar.value || !procedure.value) return
  if (procedure.value === followUpProcedure) void router.push(`/run/at/${bar.value.station}`)
  else start(bar.value.station, procedure.value)
}
</script>

<template>
  <section v-if="next" class="yours" :aria-label="t('plan.yours.title')">
    <family-mark v-if="plate" :family="plate.family" />
    <div>
      <span class="label"
        >{{ t('plan.yours.title') }}<template v-if="when">, {{ when }}</template></span
      >
      <b>{{ title }}</b>
      <span
        ><span v-if="where" class="where">{{ where }}</span>
        <span class="quiet small">{{ [step, then].filter(Boolean).join('; ') }}</span></span
      >
    </div>
    <n-button v-if="bar && bar.state !== 'break' && procedure" type="primary" class="begin" @click="begin">{{
      t(isRunning ? 'shift.goOn' : 'shift.start')
    }}</n-button>
  </section>
</template>

<style scoped>
.yours {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 2px 20px 4px var(--gutter);
}
.yours > div {
  flex: 1;
  display: grid;
  gap: 2px;
  min-width: 0;
}
b {
  font-size: 25px;
  line-height: 1.15;
}
.where {
  margin-right: 12px;
  font-weight: 600;
}
.begin {
  min-height: 68px;
  min-width: 150px;
  font-size: 22px;
}
@media (max-width: 760px) {
  .yours {
    flex-wrap: wrap;
  }
  .begin {
    width: 100%;
  }
}
</style>
