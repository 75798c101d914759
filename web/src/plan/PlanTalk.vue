<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { usePlanWords } from './plan-words.ts'
import { usePlanner } from './planner.ts'

/** What the planner has to say: how far it is, what a move costs, or a better plan with its differences in words. */
const planner = usePlanner()
const session = useSession()
const names = useNames()
const { clock } = useTimes()
const { t } = useI18n()
const words = usePlanWords()

const offer = computed(() => (planner.look?.worth ? planner.look : null))
const standing = computed(() => planner.look?.kept ?? planner.look?.best ?? planner.inForce?.plan ?? null)
const price = computed(() => planner.price)
/** Beside an offer too: what was just changed can be taken back whatever else there is to say. */
const mayTakeBack = computed(
  () => planner.mayTakeBack && !planner.working && !price.value && session.mayDo('plan-shift'),
)
const share = computed(() =>
  planner.working ? Math.round((100 * planner.working.iterations) / planner.working.of) : 0,
)
</script>

<template>
  <div class="talk" role="status">
    <div v-if="planner.working" class="row">
      <n-progress
        type="line"
        :percentage="share"
        :show-indicator="false"
        class="progress"
        :aria-label="t('plan.plan')"
      />
      <span>{{ t('plan.planning', { n: planner.working.iterations, of: planner.working.of }) }}</span>
      <n-button size="large" @click="planner.stopPlanning()">{{ t('plan.useNow') }}</n-button>
    </div>
    <p v-else-if="planner.fault" class="refused" role="alert">
      {{ t('plan.fault', { what: planner.fault }) }}
    </p>
    <p v-else-if="planner.pricing">{{ t('plan.pricing') }}</p>
    <div v-else-if="price" class="row">
      <div class="text">
        <b>{{
          t('plan.price.title', {
            what: words.runName(price.look?.problem ?? planner.look?.problem ?? null, price.pin.run),
            where: words.where(price.pin, price.start),
          })
        }}</b>
        <p v-if="price.refused" class="refused">
          {{ t('plan.price.refused', { why: words.refused(price, price.refused) }) }}
        </p>
        <p v-else-if="price.look">{{ words.costs(price.look, standing).join(' ') }}</p>
      </div>
      <n-button v-if="price.look" type="primary" size="large" @click="planner.putThere()">
        {{ t('plan.price.put') }}
      </n-button>
      <n-button size="large" @click="planner.leaveIt()">{{ t('plan.price.leave') }}</n-button>
    </div>
    <div v-else-if="offer" class="row">
      <div class="text">
        <b>{{ t('plan.offer.title') }}</b>
        <p>{{ words.gains(offer).join(' ') }}</p>
        <ul>
          <li v-for="c in offer.changes.slice(0, 8)" :key="c.run">{{ words.change(offer.problem, c) }}</li>
        </ul>
        <template v-if="offer.repairs.length > 0">
          <p class="small">{{ t('plan.repair.or') }}</p>
          <p v-for="(r, i) in offer.repairs.slice(0, 3)" :key="i" class="repair">
            <span>{{ words.repair(offer, r) }}</span>
            <n-button @click="planner.repair(r)">{{ t('plan.repair.take') }}</n-button>
          </p>
        </template>
      </div>
      <n-button type="primary" size="large" @click="planner.accept()">{{ t('plan.offer.take') }}</n-button>
      <n-button size="large" @click="planner.keepIt()">{{ t('plan.offer.keep') }}</n-button>
    </div>
    <div v-if="mayTakeBack" class="row">
      <p class="text quiet">
        {{
          t('plan.changed', {
            time: clock(planner.inForce?.at ?? 0),
            who: names.person(planner.inForce?.by ?? ''),
          })
        }}
      </p>
      <n-button size="large" @click="planner.takeBack()">{{ t('plan.takeBack') }}</n-button>
    </div>
  </div>
</template>

<style scoped>
.talk:not(:empty) {
  padding: 4px 0;
}
.talk:empty {
  display: none;
}
.row {
  display: flex;
  align-items: center;
  gap: 14px;
}
.text {
  flex: 1;
}
.progress {
  max-width: 260px;
}
ul {
  columns: 2;
  font-size: 14px;
  line-height: 1.25;
  color: var(--ink-2);
}
.repair {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 3px 0;
}
.repair .n-button {
  min-height: 48px;
}
.refused {
  color: var(--out);
  font-weight: 600;
}
@media (max-width: 760px) {
  .row {
    flex-wrap: wrap;
  }
  ul {
    columns: 1;
  }
}
</style>
