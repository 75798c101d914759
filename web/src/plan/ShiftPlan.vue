<script setup lang="ts">
import { instant } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { computed, onBeforeUnmount, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { groundOf } from '../duty/sheet.ts'
import { useSession } from '../rights/session.ts'
import { now } from '../wire/clock.ts'
import type { Bar } from './lanes.ts'
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
/** Crew of this shift: their own next stands on top, and the others’ work on the sheet. */
const isOwn = computed(() => !mayPlan.value && next.value.some((n) => n.person === session.acting?.id))
const asking = ref(false)
const taken = ref<Bar | null>(null)
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
const next = computed(() => visible.value.filter((l) => !l.away).map((l) => nextOf(l, now())))

/** While there is something to decide, it has the room. */
const talking = computed(
  () =>
    mayPlan.value &&
    (planner.working !== null || planner.pricing || planner.price !== null || planner.look?.worth === true),
)

function choose(bar: Bar | null, who: string | null): void {
  taken.value = bar
  person.value = who
}
</script>

<template>
  <section class="evening">
    <shift-sheet
      v-if="ground"
      :ground="ground"
      :lanes="visible"
      :now="now()"
      :may-move="mayPlan"
      @put="planner.ask"
      @take="(bar) => choose(bar, null)"
      @person="(who) => mayPlan && choose(null, who)"
    />
  </section>
  <section v-if="!isOwn || person || taken" class="running" tabindex="0">
    <person-panel
      v-if="person && planner.roster"
      :person="person"
      :roster="planner.roster"
      @close="choose(null, null)"
    />
    <taken-bar v-if="taken" :bar="taken" :may-plan="mayPlan" @close="choose(null, null)" />
    <what-if v-if="asking" @close="asking = false" />
    <plan-talk v-if="mayPlan && !asking" />
    <n-button v-if="mayPlan && !talking && !asking" class="ask" @click="asking = true">
      {{ t('plan.whatIf.open') }}
    </n-button>
    <next-actions v-if="!isOwn && !talking && !asking" :next="next" :now="now()" />
  </section>
</template>

<style scoped>
.evening {
  grid-area: evening;
  min-height: 0;
  padding: 0 0 0 var(--gutter);
  overflow: hidden auto;
}
.ask {
  float: right;
}
.running {
  grid-area: running;
  border-top: 1px solid var(--line);
  padding: 12px var(--gutter) 14px;
  max-height: 46vh;
  overflow: auto;
}
@media (max-width: 760px) {
  .evening {
    height: 480px;
  }
  .running {
    max-height: none;
  }
}
</style>
