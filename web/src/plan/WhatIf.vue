<script setup lang="ts">
import { latenessOf, type Otherwise } from '@tadka/core/plan'
import { showMinutes } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { usePlanWords } from './plan-words.ts'
import { usePlanner } from './planner.ts'

/** The shift otherwise, beside the plan as it stands: somebody fewer, somebody more, trade that ends sooner. Nothing is put in force. */
const planner = usePlanner()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const names = useNames()
const words = usePlanWords()
const soonerMinutes = 30

const cases = computed((): { told: string; other: Otherwise }[] => [
  ...(planner.look?.problem.people ?? []).map((p) => ({
    told: t('plan.whatIf.without', { who: names.person(p.id) }),
    other: { kind: 'without', person: p.id } as const,
  })),
  { told: t('plan.whatIf.another'), other: { kind: 'another' } },
  {
    told: t('plan.whatIf.sooner', { n: soonerMinutes }),
    other: { kind: 'close-sooner', minutes: soonerMinutes },
  },
])
const standing = computed(() => {
  const look = planner.look
  return look && { plan: look.kept ?? look.best, problem: look.problem }
})
const sides = computed(() => {
  const [now, then] = [standing.value, planner.whatIf]
  if (!now) return []
  const row = (told: string, { plan, problem }: typeof now) => ({
    told,
    last: words.at(problem, plan.objective.last),
    late: words.late(latenessOf(problem, plan), plan.unplaced.length),
    unplaced: plan.unplaced.length,
    by: plan.objective.last - now.plan.objective.last,
  })
  return [row(t('plan.whatIf.now'), now), ...(then?.found ? [row(then.told, then.found)] : [])]
})
const compared = (by: number) =>
  by === 0 ? '' : t(by > 0 ? 'plan.change.later' : 'plan.change.earlier', { time: showMinutes(Math.abs(by)) })
</script>

<template>
  <div class="what-if">
    <div class="cases">
      <n-button
        v-for="c in cases"
        :key="c.told"
        :type="planner.whatIf?.told === c.told ? 'primary' : 'default'"
        @click="planner.askWhatIf(c.told, c.other)"
      >
        {{ c.told }}
      </n-button>
      <n-button @click="emit('close')">{{ t('common.close') }}</n-button>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col">{{ t('plan.whatIf.title') }}</th>
          <th scope="col">{{ t('plan.lastOut') }}</th>
          <th scope="col">{{ t('plan.whatIf.late') }}</th>
          <th scope="col">{{ t('plan.whatIf.unplaced') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in sides" :key="s.told">
          <th scope="row">{{ s.told }}</th>
          <td>
            <b>{{ s.last }}</b> <span class="small quiet">{{ compared(s.by) }}</span>
          </td>
          <td>{{ s.late }}</td>
          <td>{{ s.unplaced }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="planner.whatIf && !planner.whatIf.found" role="status">{{ t('plan.pricing') }}</p>
  </div>
</template>

<style scoped>
.what-if {
  padding-bottom: 12px;
}
.cases {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
table {
  margin-top: 10px;
  border-collapse: collapse;
  min-width: 60%;
}
th,
td {
  text-align: left;
  padding: 5px 18px 5px 0;
  border-bottom: 1px solid var(--line-soft);
  font-variant-numeric: tabular-nums;
}
thead th {
  font-weight: 400;
  color: var(--ink-2);
  font-size: 15px;
}
</style>
