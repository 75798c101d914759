<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onBeforeUnmount } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import { useTimes } from '../site/times.ts'
import { useNames } from '../site/names.ts'
import { jobsOf } from './jobs.ts'
import { usePlanner } from './planner.ts'
import { useJobWords } from './use-job-words.ts'
import { useLanes } from './use-lanes.ts'

/** A list of their own for each person, to print: what, when, on which machine. */
const planner = usePlanner()
const names = useNames()
const words = useJobWords()
const { t } = useI18n()
const { clock, longDay } = useTimes()
onBeforeUnmount(planner.follow())

const lanes = useLanes()
const lists = computed(() =>
  planner.inForce && planner.look
    ? lanes.value
        .map((l) => ({ ...l, jobs: jobsOf(l, lanes.value).filter((job) => job.state !== 'done') }))
        .filter((l) => !l.away && l.jobs.length > 0)
    : [],
)
/** Why there is nothing to print: no plan, or its times are still to come. */
const none = computed(() => {
  if (!planner.inForce) return t('plan.lists.none')
  return t(planner.look ? 'plan.lists.allDone' : 'plan.yours.coming')
})
const print = () => window.print()
</script>

<template>
  <div class="lists">
    <place-bar
      :title="t('plan.lists.title')"
      :under="planner.inForce ? longDay(planner.inForce.start) : ''"
      class="no-print"
    >
      <router-link to="/shift" class="back">‹ {{ t('place.shift') }}</router-link>
      <n-button type="primary" size="large" :disabled="lists.length === 0" @click="print">{{
        t('plan.lists.print')
      }}</n-button>
    </place-bar>
    <p v-if="lists.length === 0" class="none quiet">{{ none }}</p>
    <section v-for="l in lists" :key="l.person">
      <h2>{{ names.person(l.person) }}</h2>
      <p v-if="planner.inForce" class="small quiet">
        {{ t('plan.lists.bring', { time: clock(planner.inForce.at) }) }}
      </p>
      <table>
        <tbody>
          <tr v-for="job in l.jobs" :key="job.key">
            <td class="time">{{ clock(job.from) }} – {{ clock(job.to) }}</td>
            <td>
              <b>{{ words.machine(job) }}</b>
              {{ words.what(job) }}
              <p v-if="job.by" class="small">{{ t('plan.by', { who: names.person(job.by) }) }}</p>
              <p v-if="job.parts.length > 1" class="small">
                {{
                  job.parts
                    .map(
                      (p) =>
                        `${clock(p.from)} ${p.kind === 'wait' ? t('plan.waiting', { what: p.title }) : p.title}`,
                    )
                    .join('; ')
                }}
              </p>
              <p v-if="words.bring(job)" class="small quiet">
                {{ t('plan.lists.have', { what: words.bring(job) }) }}
              </p>
            </td>
            <td class="box"><i :aria-label="t('plan.lists.done')" role="img" /></td>
          </tr>
        </tbody>
      </table>
      <p v-for="c in l.calls" :key="c.from">
        {{ t('plan.call', { who: names.person(c.learner), from: clock(c.from), to: clock(c.to) }) }}
      </p>
      <p v-if="l.leaves">{{ t('plan.mayGo', { time: clock(l.leaves) }) }}</p>
    </section>
  </div>
</template>

<style scoped>
.back {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.none,
section {
  padding: 8px var(--gutter) 20px;
  max-width: 760px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
td {
  padding: 7px 8px;
  border-top: 1px solid var(--line);
  vertical-align: top;
}
.time {
  white-space: nowrap;
  font-variant-numeric: tabular-nums;
}
.box i {
  display: block;
  width: 20px;
  height: 20px;
  border: 2px solid var(--ink-3);
  border-radius: 3px;
}
@media print {
  section {
    break-after: page;
  }
}
</style>
