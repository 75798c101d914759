<script setup lang="ts">
import { handoversOf, weightsOf, type Plan, type PlanProblem, type PriceTerms } from '@tadka/core/plan'
import { showMinutes } from '@tadka/core/quantity'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { usePlanWords } from './plan-words.ts'

/** What the plan in force is priced by, term by term in minutes, and where a run changes hands. */
const props = defineProps<{ plan: Plan; problem: PlanProblem }>()
const { t } = useI18n()
const names = useNames()
const words = usePlanWords()

/** Told in minutes by themselves; the others count how often. */
const inMinutes: readonly (keyof PriceTerms)[] = ['paid', 'wish', 'walks', 'gaps', 'unfair']
const order = [
  'paid',
  'last',
  'wish',
  'handovers',
  'areas',
  'short',
  'walks',
  'gaps',
  'unfair',
  'changes',
] as const
const rows = computed(() => {
  const { terms } = props.plan.objective
  const weights = weightsOf(props.problem)
  return order
    .map((term) => {
      const value = terms[term]
      const shown =
        term === 'last'
          ? words.at(props.problem, value)
          : inMinutes.includes(term)
            ? showMinutes(Math.round(value))
            : String(value)
      return { term, value, shown, minutes: Math.round(value * weights[term]) }
    })
    .filter((r) => r.value > 0)
})
const handovers = computed(() => handoversOf(props.problem, props.plan))
</script>

<template>
  <details class="price">
    <summary>{{ t('plan.terms.title', { n: Math.round(plan.objective.price) }) }}</summary>
    <table>
      <tbody>
        <tr v-for="r in rows" :key="r.term">
          <th scope="row">{{ t(`plan.terms.${r.term}`) }}</th>
          <td>{{ r.shown }}</td>
          <td class="quiet">{{ t('plan.terms.counts', { n: r.minutes }) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet">{{ t('plan.terms.how') }}</p>
    <ul v-if="handovers.length > 0" class="small">
      <li v-for="h in handovers" :key="`${h.run} ${h.at}`">
        {{
          t(h.clean ? 'plan.terms.handedClean' : 'plan.terms.handed', {
            time: words.at(problem, h.at),
            what: words.runName(problem, h.run),
            from: names.person(h.from),
            to: names.person(h.to),
          })
        }}
        <template v-if="h.cause">{{
          t(`plan.terms.cause.${h.cause}`, { who: names.person(h.from) })
        }}</template>
      </li>
    </ul>
  </details>
</template>

<style scoped>
summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  font-weight: 600;
  cursor: pointer;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 15px;
}
th {
  text-align: left;
  font-weight: 400;
}
th,
td {
  padding: 5px 0;
  border-top: 1px solid var(--line-soft);
}
td {
  text-align: right;
  font-variant-numeric: tabular-nums;
  padding-left: 8px;
  white-space: nowrap;
}
</style>
