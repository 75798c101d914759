<script setup lang="ts">
import type { Plan } from '@tadka/core/plan'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { worksOn } from './lanes.ts'
import { usePlanWords } from './plan-words.ts'
import { usePlanner } from './planner.ts'

/** When the last one leaves and what is proved about it; and the button that plans. */
const planner = usePlanner()
const session = useSession()
const words = usePlanWords()
const { t } = useI18n()

const figure = computed(() => {
  const look = planner.look
  if (!look || !planner.inForce) return null
  const plan = look.kept ?? look.best
  if (look.problem.people.every(worksOn))
    return { label: t('plan.ready'), last: words.at(look.problem, lastEnd(plan)), bound: null }
  return {
    label: t('plan.lastOut'),
    last: words.at(look.problem, plan.objective.last),
    bound: words.at(look.problem, Math.min(look.bound, plan.objective.last)),
  }
})
/** An opening lets nobody go: it is told when its work is done. */
const lastEnd = (plan: Plan) => Math.max(0, ...plan.placed.map((p) => p.end))
const may = computed(() => session.mayDo('plan-shift') && planner.roster !== null)
</script>

<template>
  <div v-if="figure" class="figure">
    <span class="quiet"
      >{{ figure.label }} <b>{{ figure.last }}</b></span
    >
    <span v-if="figure.bound" class="quiet small">{{ t('plan.noPlan', { time: figure.bound }) }}</span>
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
