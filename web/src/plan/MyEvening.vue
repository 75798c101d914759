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
import type { Job } from './jobs.ts'
import { nextOf } from './next.ts'
import { usePlanner } from './planner.ts'
import { useJobWords } from './use-job-words.ts'
import { useLanes } from './use-lanes.ts'

/** What the plan gives whoever holds the tablet: their job now, large, and those after it, with place and what to bring. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const names = useNames()
const planner = usePlanner()
const words = useJobWords()
const router = useRouter()
const { clock } = useTimes()
const { start } = useStartRun()
const lanes = useLanes()

const lane = computed(() => lanes.value.find((l) => l.person === session.acting?.id && !l.away) ?? null)
const next = computed(() => (lane.value ? nextOf(lane.value, lanes.value, now()) : null))
const job = computed(() => next.value?.now ?? null)
const plate = computed(() => (job.value ? (site.one('station', job.value.station)?.plate ?? null) : null))
const isRunning = computed(() => !!job.value && site.one('station', job.value.station)?.currentRun)
const title = computed(() => {
  if (job.value) return words.whole(job.value)
  // The plan's times come a moment after its page: until then nobody is told that they have nothing to do.
  if (!planner.look) return t('plan.yours.coming')
  const leaves = next.value?.leaves ?? null
  return leaves === null ? t('plan.free') : t('plan.mayGo', { time: clock(leaves) })
})
const when = computed(() => {
  const j = job.value
  if (!j) return ''
  const until = clock(j.to)
  return j.from <= now() ? t('plan.yours.now', { until }) : t('plan.yours.at', { time: clock(j.from), until })
})
/** What is done while this one waits. */
const meanwhile = computed(() => {
  const j = job.value
  const other = j && next.value?.then.find((o) => o.from < j.to && o.state !== 'break')
  return other ? t('plan.yours.meanwhile', { what: words.whole(other), time: clock(other.from) }) : ''
})
const where = (j: Job) => (j.state === 'break' ? '' : names.where(j.station))

function begin(): void {
  if (!job.value) return
  if (job.value.procedure === followUpProcedure) void router.push(`/run/at/${job.value.station}`)
  else start(job.value.station, job.value.procedure)
}
</script>

<template>
  <section class="mine" :aria-label="t('plan.yours.title')">
    <div class="now">
      <p class="when">
        {{ when || t('plan.yours.title') }}
      </p>
      <div class="head">
        <family-mark v-if="plate" :family="plate.family" />
        <b class="title">{{ title }}</b>
      </div>
      <template v-if="job">
        <p class="lasts">{{ words.lasts(job, now()) }}{{ meanwhile && ` ${meanwhile}` }}</p>
        <p v-if="job.by" class="lasts">{{ t('plan.by', { who: names.person(job.by) }) }}</p>
        <ul class="chips">
          <li v-if="where(job)">{{ where(job) }}</li>
          <li v-if="words.bring(job)">{{ t('plan.yours.bring', { what: words.bring(job) }) }}</li>
        </ul>
      </template>
      <p v-if="next?.call" class="lasts">
        {{
          t('plan.call', {
            who: names.person(next.call.learner),
            from: clock(next.call.from),
            to: clock(next.call.to),
          })
        }}
      </p>
      <n-button v-if="job && job.state !== 'break'" type="primary" class="begin" @click="begin">{{
        t(isRunning ? 'shift.goOn' : 'shift.start')
      }}</n-button>
    </div>
    <div v-if="next && job" class="then">
      <h2 class="label">{{ t('plan.yours.then') }}</h2>
      <ol>
        <li v-for="j in next.then" :key="j.key">
          <span class="time">{{ clock(j.from) }}</span>
          <span>
            <b>{{ words.whole(j) }}</b>
            <span class="quiet">{{ words.lasts(j, j.from) }}</span>
            <span v-if="where(j)" class="quiet">{{ where(j) }}</span>
          </span>
        </li>
        <li v-if="next.leaves !== null">
          <span class="time">{{ clock(next.leaves) }}</span>
          <b>{{ t('plan.yours.home') }}</b>
        </li>
      </ol>
    </div>
  </section>
</template>

<style scoped>
.mine {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(260px, 1fr);
  gap: 12px 36px;
  padding: 10px 20px 16px 0;
  align-content: start;
}
.when {
  color: var(--ink-2);
  font-size: 18px;
}
.head {
  display: flex;
  gap: 14px;
  align-items: center;
}
.title {
  font-size: clamp(28px, 3.4vw, 44px);
  line-height: 1.08;
}
.lasts {
  font-size: 20px;
  line-height: 1.3;
  margin-top: 8px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 12px 0;
}
.chips li {
  padding: 8px 14px;
  border: 1px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
}
.begin {
  min-height: 84px;
  min-width: 180px;
  font-size: 26px;
  margin-top: 8px;
}
.then .label {
  border-bottom: 2px solid var(--ink);
  padding-bottom: 8px;
}
.then li {
  display: grid;
  grid-template-columns: 76px 1fr;
  gap: 10px;
  padding: 10px 0;
  border-bottom: 1px solid var(--line-soft);
}
.then li > span:last-child {
  display: grid;
  gap: 2px;
}
.time {
  font-weight: 650;
  font-variant-numeric: tabular-nums;
}
.then b {
  font-size: 18px;
  line-height: 1.2;
}
@media (max-width: 760px) {
  .mine {
    grid-template-columns: 1fr;
    padding-right: 0;
  }
  .begin {
    width: 100%;
  }
}
</style>
