<script setup lang="ts">
import type { DueItem } from '@tadka/core/duty'
import { latenessOf, type Plan, type PlanProblem } from '@tadka/core/plan'
import { showMinutes } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { usePlanWords } from './plan-words.ts'
import { usePlanner } from './planner.ts'

/** What the plan cannot keep: duties without a place, late ones, people past their hours; why, and the cheapest ways out. */
const props = defineProps<{
  plan: Plan
  problem: PlanProblem
  /** Left out: what brings product to a machine that is not in service. */
  stopped: readonly DueItem[]
  mayPlan: boolean
}>()
const planner = usePlanner()
const { t } = useI18n()
const names = useNames()
const words = usePlanWords()

const lateness = computed(() => latenessOf(props.problem, props.plan))
const late = computed(() => lateness.value.late)
const over = computed(() => lateness.value.over)
/** Minutes past when the manager wants everybody gone. */
const overClose = computed(() =>
  Math.max(0, props.plan.objective.last - (props.problem.closedBy ?? Number.POSITIVE_INFINITY)),
)
/** Breaks come first: nobody may be asked to go without. */
const told = computed(() => props.plan.told)
const any = computed(
  () =>
    told.value.length +
      props.plan.unplaced.length +
      late.value.length +
      over.value.length +
      props.stopped.length +
      overClose.value >
    0,
)
const ways = computed(() => planner.ways?.ways.slice(0, 4) ?? [])
const reasons = computed(() => planner.ways?.reasons ?? [])
</script>

<template>
  <section v-if="any" class="risk">
    <h2 class="label">{{ t('plan.risk.title') }}</h2>
    <ul>
      <li v-for="(x, i) in told" :key="`told${i}`">
        <b>{{ words.told(problem, plan, x) }}</b>
      </li>
      <li v-for="u in plan.unplaced" :key="u.run">
        <b>{{ t('plan.risk.unplaced', { what: words.runName(problem, u.run) }) }}</b>
        <p class="small">{{ t(`plan.why.${u.why}`, { n: u.tries ?? 0 }) }}</p>
      </li>
      <li v-for="s in stopped" :key="`${s.station} ${s.procedure}`">
        <b>{{
          t('plan.risk.stopped', { station: names.station(s.station), what: names.procedure(s.procedure) })
        }}</b>
        <p class="small">{{ t('shift.isOut') }}</p>
      </li>
      <li v-for="l in late" :key="l.run">
        <b>{{
          t('plan.risk.late', { what: words.runName(problem, l.run), time: showMinutes(l.minutes) })
        }}</b>
      </li>
      <li v-if="overClose > 0">
        <b>{{
          t('plan.closed.over', {
            time: words.at(problem, problem.closedBy ?? 0),
            by: showMinutes(overClose),
          })
        }}</b>
      </li>
      <li v-for="o in over" :key="o.person">
        <b>{{ t('plan.risk.over', { who: names.person(o.person), time: showMinutes(o.minutes) }) }}</b>
      </li>
    </ul>
    <p v-if="reasons.length > 0" class="small">
      {{ t('plan.risk.why', { what: reasons.map((r) => t(`plan.risk.reason.${r}`)).join('; ') }) }}
    </p>
    <ul class="ways">
      <li v-for="(w, i) in ways" :key="i">
        <span>
          {{ words.way(problem, w.way) }}:
          {{
            w.unplaced > 0
              ? t('plan.way.unplaced', { n: w.unplaced }, w.unplaced)
              : t('plan.way.then', {
                  late: words.late(w.left, 0),
                  time: words.at(problem, w.objective.last),
                })
          }}
        </span>
        <n-button
          v-if="mayPlan && w.way.kind === 'put-off'"
          ghost
          type="primary"
          @click="planner.take(w.way)"
        >
          {{ t('plan.way.do') }}
        </n-button>
      </li>
    </ul>
    <p v-if="planner.ways && ways.length === 0" class="small">{{ t('plan.risk.nothingHelps') }}</p>
  </section>
</template>

<style scoped>
.risk {
  border-top: 3px solid var(--out);
  padding: 8px 0 14px;
  margin-bottom: 12px;
}
li {
  padding: 4px 0;
}
.ways li {
  display: flex;
  flex-direction: column;
  gap: 6px;
  align-items: flex-start;
  border-top: 1px solid var(--line-soft);
  font-size: 15px;
}
</style>
