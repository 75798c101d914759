<script setup lang="ts">
import { tradingDayAt } from '@tadka/core/calendar'
import { dueList, type DueItem } from '@tadka/core/duty'
import type { SiteSet } from '@tadka/core/house'
import { planKey, waitsForService } from '@tadka/core/plan'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import { useTimes } from '../site/times.ts'
import { useProcedures } from '../site/procedures.ts'
import { useStartRun } from '../procedure/start.ts'
import { useSession } from '../rights/session.ts'
import PlanHead from './PlanHead.vue'
import { usePlanner } from './planner.ts'
import { useSite } from '../site/site.ts'
import { useDutyInputs } from '../warewash/duty-inputs.ts'
import { now, nowByMinute } from '../wire/clock.ts'
import BathsDue from '../duty/BathsDue.vue'
import DueList from '../duty/DueList.vue'
import InCharge from '../duty/InCharge.vue'
import RunningNow from '../procedure/RunningNow.vue'
import { sheetOf } from '../duty/sheet.ts'
import { later } from '../pieces/later.ts'
import { fetchWords } from '../words/index.ts'

const PlanRisk = later(() => import('./PlanRisk.vue'))
const PlanPrice = later(() => import('./PlanPrice.vue'))
const PlanTalk = later(() => import('./PlanTalk.vue'))
const ShiftPlan = later(() => import('./ShiftPlan.vue'))
const EveningSheet = later(() => import('../duty/EveningSheet.vue'))
/** Its words are not among those that the first place has. */
const RerunList = later(() =>
  Promise.all([import('../rerun/RerunList.vue'), fetchWords()]).then(([list]) => list),
)
const MixAsked = later(() =>
  Promise.all([import('../machine/MixAsked.vue'), fetchWords()]).then(([asked]) => asked),
)
const ColdAsked = later(() =>
  Promise.all([import('../cold/ColdAsked.vue'), fetchWords()]).then(([asked]) => asked),
)
const RoundsAsked = later(() =>
  Promise.all([import('../round/RoundsAsked.vue'), fetchWords()]).then(([asked]) => asked),
)
const TasksAsked = later(() =>
  Promise.all([import('../task/TasksAsked.vue'), fetchWords()]).then(([asked]) => asked),
)
const StockAsked = later(() =>
  Promise.all([import('../stock/StockAsked.vue'), fetchWords()]).then(([asked]) => asked),
)
const StoreAsked = later(() =>
  Promise.all([import('../shelf/StoreAsked.vue'), fetchWords()]).then(([asked]) => asked),
)
const FaultsAsked = later(() =>
  Promise.all([import('../fault/FaultsAsked.vue'), fetchWords()]).then(([asked]) => asked),
)
const LabAsked = later(() =>
  Promise.all([import('../lab/LabAsked.vue'), fetchWords()]).then(([asked]) => asked),
)
const NotesFound = later(() => import('../duty/NotesFound.vue'))
const FollowUps = later(() => import('../duty/FollowUps.vue'))
const OpenCases = later(() => import('../case/OpenCases.vue'))
const ReviewWaiting = later(() => import('../sheet/ReviewWaiting.vue'))
const OutOfService = later(() => import('../procedure/OutOfService.vue'))

const site = useSite()
const session = useSession()
const planner = usePlanner()
const { latest } = useProcedures()
const router = useRouter()
const { t } = useI18n()
const { day: dayName } = useTimes()
const { start } = useStartRun()

/** What is done beside machines. */
const ways = ['note', 'rounds', 'tasks', 'cold'] as const
const soonMs = 8 * 3_600_000
const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
const { stations, predictions } = useDutyInputs()
const runs = computed(() => site.all('run'))
const due = computed(() =>
  set.value ? dueList(set.value, stations.value, nowByMinute(), predictions.value) : [],
)
/** What comes later than the sheet reaches stands in the weeks ahead. */
const soon = computed(() =>
  due.value.filter((d) => d.risk !== 'ahead' || d.earliest < nowByMinute() + soonMs),
)
const sheet = computed(() =>
  set.value ? sheetOf(set.value, stations.value, due.value, runs.value, nowByMinute()) : null,
)
const kept = computed(() => site.all('rerun').filter((r) => r.keptAt !== null && r.ended === null))
const asked = computed(() => stations.value.filter((s) => s.followUps.length > 0))
const otherMix = computed(() => stations.value.some((s) => s.mixChange))
const running = computed(() => runs.value.filter((r) => r.status === 'running' || r.status === 'parked'))
const title = computed(() => {
  // Two hours after a close its work is over: what is shown is the day to come.
  const day = set.value && tradingDayAt(set.value, nowByMinute(), 120)
  if (!day) return t('shift.closedToday', { day: dayName(nowByMinute()) })
  const opening = nowByMinute() < day.opens + 3_600_000
  return t(opening ? 'shift.open' : 'shift.close', { day: dayName(day.opens) })
})

/** What the plan as it stands cannot keep. */
const risk = computed(() => {
  const look = planner.inForce && planner.look
  if (!look) return null
  const stopped = soon.value.filter((d) => waitsForService(d, latest))
  return { plan: look.kept ?? look.best, problem: look.problem, stopped }
})

/** What may be done now and is not in the plan in force. */
const mayPutIn = computed(() => {
  const planned = planner.inForce && planner.look?.problem.runs.map((r) => r.id)
  if (!planned || !session.mayDo('plan-shift')) return []
  return due.value.filter((d) => d.risk !== 'ahead' && !planned.includes(planKey(d))).map(planKey)
})

const begin = (item: DueItem) => start(item.station, item.procedure)
const goOn = (run: string) => void router.push(`/run/${run}`)
</script>

<template>
  <div class="shift">
    <place-bar
      :title="planner.isOwn ? t('plan.yours.of', { who: session.acting?.name ?? '' }) : (set?.name ?? '')"
      :under="title"
    >
      <router-link to="/shift/roster" class="ahead">{{ t('plan.roster.link') }}</router-link>
      <router-link to="/shift/training" class="ahead">{{ t('shift.training') }}</router-link>
      <router-link to="/shift/ahead" class="ahead">{{ t('shift.ahead') }}</router-link>
      <plan-head />
    </place-bar>
    <open-cases class="cases" />
    <shift-plan v-if="planner.inForce" />
    <template v-else>
      <section class="evening">
        <evening-sheet v-if="sheet" :sheet="sheet" :now="now()" />
      </section>
      <section class="running">
        <plan-talk v-if="planner.working" />
        <running-now :runs="running" @go-on="goOn" />
      </section>
    </template>
    <aside>
      <n-button
        v-if="planner.inForce && session.mayDo('plan-shift') && !planner.asking"
        class="what-if"
        @click="planner.asking = true"
        >{{ t('plan.whatIf.open') }}</n-button
      >
      <notes-found />
      <in-charge />
      <nav v-if="session.mayDo('record')" class="ways" :aria-label="t('shift.ways.title')">
        <router-link v-for="way in ways" :key="way" :to="`/shift/${way}`">{{
          t(`shift.ways.${way}`)
        }}</router-link>
      </nav>
      <out-of-service :stations="stations" />
      <mix-asked v-if="otherMix" :stations="stations" />
      <plan-risk v-if="risk" v-bind="risk" :may-plan="session.mayDo('plan-shift')" />
      <plan-price v-if="risk && session.mayDo('plan-shift')" :plan="risk.plan" :problem="risk.problem" />
      <running-now v-if="planner.inForce && running.length > 0" :runs="running" @go-on="goOn" />
      <rerun-list v-if="kept.length > 0" :kept="kept" />
      <store-asked />
      <lab-asked />
      <faults-asked />
      <rounds-asked />
      <tasks-asked />
      <stock-asked v-if="session.mayDo('plan-shift')" />
      <cold-asked />
      <baths-due />
      <review-waiting v-if="session.mayDo('review-day')" />
      <follow-ups v-if="asked.length > 0" :stations="asked" />
      <h2 class="label">{{ t('shift.atRisk') }}</h2>
      <DueList :due="soon" :put-in="mayPutIn" @start="begin" @go-on="goOn" @put-in="planner.putIn" />
    </aside>
  </div>
</template>

<style scoped>
.shift {
  height: 100%;
  display: grid;
  grid-template: auto auto 1fr auto / 1fr 320px;
  grid-template-areas: 'bar bar' 'cases cases' 'evening aside' 'running aside';
}
.ahead {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.bar {
  grid-area: bar;
}
.cases {
  grid-area: cases;
}
.evening {
  grid-area: evening;
  min-height: 0;
  padding: 0 0 0 var(--gutter);
  overflow: hidden;
}
aside {
  grid-area: aside;
  overflow: auto;
  padding: 4px var(--gutter) 16px 20px;
  border-left: 1px solid var(--line-soft);
}
.what-if {
  min-height: 48px;
  width: 100%;
  margin: 4px 0 12px;
}
aside .label {
  margin-bottom: 8px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  margin-bottom: 4px;
}
.ways a {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.running {
  grid-area: running;
  border-top: 1px solid var(--line);
  padding: 12px var(--gutter) 14px;
}
@media (max-width: 760px) {
  .shift {
    display: block;
  }
  .evening {
    height: 420px;
  }
  aside {
    border: 0;
    padding: 16px var(--gutter);
  }
}
</style>
