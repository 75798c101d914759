<script setup lang="ts">
import { instant } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { computed, onBeforeUnmount, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { groundOf } from '../duty/sheet.ts'
import { useSession } from '../rights/session.ts'
import { now } from '../wire/clock.ts'
import type { Job } from './jobs.ts'
import MyEvening from './MyEvening.vue'
import { nextOf } from './next.ts'
import NextActions from './NextActions.vue'
import PersonPanel from './PersonPanel.vue'
import { usePlanner } from './planner.ts'
import PlanTalk from './PlanTalk.vue'
import { useLanes } from './use-lanes.ts'
import ShiftSheet from './ShiftSheet.vue'
import WhatIf from './WhatIf.vue'
import TakenBar from './TakenBar.vue'

/** The shift as it is planned and as it goes: the sheet, what each does next, and what the planner has to say. */
const planner = usePlanner()
const { t } = useI18n()
const session = useSession()
const stop = planner.follow()
onBeforeUnmount(stop)

const mayPlan = computed(() => session.mayDo('plan-shift'))
/** Crew see everybody’s evening when they ask for it. */
const all = ref(false)
const taken = ref<Job | null>(null)
const person = ref<string | null>(null)
const half = 1_800_000
const lanes = useLanes()
const from = computed(() => Math.floor((now() - half) / half) * half)
const to = computed(() => {
  const ends = lanes.value.flatMap((l) => [l.leaves ?? 0, ...l.bars.map((b) => b.to)])
  return Math.ceil(Math.max(now() + 5 * half, ...ends) / half) * half
})
const ground = computed(() =>
  planner.set ? groundOf(planner.set, instant(from.value), instant(to.value)) : null,
)
const visible = computed(() =>
  lanes.value
    .map((l) => ({ ...l, bars: l.bars.filter((b) => b.to > from.value) }))
    .filter((l) => l.away || l.bars.length > 0 || (l.leaves ?? 0) > now()),
)
const next = computed(() => visible.value.filter((l) => !l.away).map((l) => nextOf(l, lanes.value, now())))

/** There is something to decide, or to take back. */
const talking = computed(
  () =>
    mayPlan.value &&
    (planner.working !== null ||
      planner.pricing ||
      planner.price !== null ||
      planner.mayTakeBack ||
      planner.fault !== null ||
      planner.look?.worth === true),
)

function choose(bar: Job | null, who: string | null): void {
  taken.value = bar
  person.value = who
}
</script>

<template>
  <section class="evening">
    <my-evening v-if="planner.isOwn && !all" />
    <next-actions v-if="!planner.isOwn && next.length > 0" class="each" :next="next" :now="now()" />
    <n-button v-if="planner.isOwn" class="other" @click="all = !all">{{
      t(all ? 'plan.yours.own' : 'plan.yours.all')
    }}</n-button>
    <shift-sheet
      v-if="ground && (!planner.isOwn || all)"
      :ground="ground"
      :lanes="visible"
      :now="now()"
      :may-move="mayPlan"
      @put="planner.ask"
      @take="(bar) => choose(bar, null)"
      @person="(who) => mayPlan && choose(null, who)"
    />
  </section>
  <section v-if="person || taken || (mayPlan && (planner.asking || talking))" class="running" tabindex="0">
    <person-panel
      v-if="person && planner.roster"
      :person="person"
      :roster="planner.roster"
      @close="choose(null, null)"
    />
    <taken-bar v-if="taken" :bar="taken" :may-plan="mayPlan" @close="choose(null, null)" />
    <what-if v-if="planner.asking" @close="planner.asking = false" />
    <plan-talk v-if="mayPlan && !planner.asking" />
  </section>
</template>

<style scoped>
.evening {
  grid-area: evening;
  min-height: 0;
  padding: 0 0 0 var(--gutter);
  overflow: hidden auto;
}
.other {
  margin: 4px 0 10px;
  min-height: 48px;
}
.running {
  grid-area: running;
  border-top: 1px solid var(--line);
  padding: 8px var(--gutter);
  max-height: 46vh;
  overflow: auto;
}
@media (min-width: 761px) {
  .each {
    display: none;
  }
}
@media (max-width: 760px) {
  .evening {
    padding: 0 var(--gutter);
  }
  .running {
    max-height: none;
  }
}
</style>
