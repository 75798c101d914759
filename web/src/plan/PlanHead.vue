<script setup lang="ts">
import type { Plan } from '@tadka/core/plan'
import { showMinutes } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { worksOn } from './lanes.ts'
import { usePlanWords } from './plan-words.ts'
import { usePlanner, type Look } from './planner.ts'

/** When the last one leaves and what is proved about it; and the button that plans. */
const planner = usePlanner()
const session = useSession()
const words = usePlanWords()
const { t } = useI18n()

const plan = computed(() => planner.look && (planner.look.kept ?? planner.look.best))
const figure = computed(() => {
  const look = planner.look
  if (!look || !plan.value || !planner.inForce) return null
  if (look.problem.people.every(worksOn))
    return { label: t('plan.ready'), last: words.at(look.problem, lastEnd(plan.value)), under: '' }
  return {
    label: t('plan.lastOut'),
    last: words.at(look.problem, plan.value.objective.last),
    under: [bound(look), closed(look)].filter(Boolean).join(' · '),
  }
})
/** What is proved about a plan with everything in it; a proof that its own plan breaks is a fault of ours, and said. */
function bound({ problem, kept, bound: best, keptBound }: Look): string {
  const bound = kept ? keptBound : best
  const { objective, unplaced, told } = plan.value as Plan
  if (bound <= 0 || unplaced.length > 0 || told.some((x) => x.kind === 'break-missing')) return ''
  if (bound > objective.last) return t('plan.boundFault')
  return t('plan.noPlan', { time: words.at(problem, bound) })
}
/** Whether everybody is gone by when the manager wants it. */
function closed({ problem }: Look): string {
  if (problem.closedBy === undefined || !plan.value) return ''
  const over = plan.value.objective.last - problem.closedBy
  return over > 0
    ? t('plan.closed.over', { time: words.at(problem, problem.closedBy), by: showMinutes(over) })
    : t('plan.closed.by', { time: words.at(problem, problem.closedBy) })
}
/** An opening lets nobody go: it is told when its work is done. */
const lastEnd = (plan: Plan) => Math.max(0, ...plan.placed.map((p) => p.end))
const may = computed(() => session.mayDo('plan-shift') && planner.roster !== null)
</script>

<template>
  <div v-if="figure && may" class="figure">
    <span class="quiet"
      >{{ figure.label }} <b>{{ figure.last }}</b></span
    >
    <span v-if="figure.under" class="quiet small">{{ figure.under }}</span>
  </div>
  <n-button
    v-if="may"
    type="primary"
    size="large"
    :disabled="planner.working !== null"
    @click="planner.plan()"
  >
    {{ t(planner.inForce ? 'plan.replan' : 'plan.plan') }}
  </n-button>
</template>

<style scoped>
.figure {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
  line-height: 1.15;
}
b {
  color: var(--ink);
  font-size: 26px;
  font-variant-numeric: tabular-nums;
}
</style>
