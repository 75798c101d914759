<script setup lang="ts">
import { waysOn, type WayOn } from '@tadka/core/warewash'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import ChoicePick from '../pieces/ChoicePick.vue'
import type { Dish } from './dish.ts'

/** What the last racks ask for: washed again; out of use, and how to go on; back in service after a check that passed. */
const props = defineProps<{ station: string; dish: Dish }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const names = useNames()
const { clock } = useTimes()

const advice = computed(() => props.dish.told.value.advice)
const aside = computed(() => props.dish.state.value.aside)
const doubt = computed(() => props.dish.told.value.doubt)
const subject = computed(() => ({ kind: 'dish', id: props.station }) as const)
const rewashed = ref<boolean | null>(null)
const note = ref('')
const answers = computed(() => [
  { value: true, text: t('dish.rewashedYes') },
  { value: false, text: t('dish.rewashedNo') },
])
/** Ways that this machine and this kitchen have. */
const ways = computed(() => waysOn.filter((w) => w !== 'chemical' || props.dish.told.value.hasChemical))
/** The way that was taken does not sanitize either. */
const chemicalFails = computed(
  () => aside.value?.way === 'chemical' && props.dish.told.value.rackTest?.verdict === 'out',
)

function setAside(way: WayOn): void {
  if (rewashed.value === null) return
  site.record('dish.set-aside@1', subject.value, {
    station: props.station,
    way,
    inDoubt: doubt.value.racks,
    doubtSince: doubt.value.since,
    rewashed: rewashed.value,
    note: note.value.trim(),
    ...(props.dish.told.value.byChemical ? { asks: 'ppm' as const } : {}),
  })
  note.value = ''
  rewashed.value = null
}
function back(): void {
  const { last, rackTest } = props.dish.told.value
  const passed = aside.value?.asks === 'ppm' ? rackTest?.record : last?.key
  if (passed) site.record('dish.returned@1', subject.value, { station: props.station, passed })
}
</script>

<template>
  <section v-if="advice !== 'serves'" class="advice" :class="advice" role="status">
    <template v-if="advice === 'rewash'">
      <h2>{{ t('dish.rewash') }}</h2>
      <p>{{ t('dish.rewashHow') }}</p>
    </template>
    <template v-else-if="advice === 'stop'">
      <h2>{{ t('dish.stop') }}</h2>
      <p>
        {{ t('dish.doubt', { n: doubt.racks }) }}
        {{ doubt.since === null ? t('dish.doubtEver') : t('dish.doubtSince', { time: clock(doubt.since) }) }}
      </p>
      <div class="acts">
        <span>{{ t('dish.wereRewashed') }}</span>
        <choice-pick v-model="rewashed" :label="t('dish.wereRewashed')" :choices="answers" />
      </div>
      <n-input
        v-model:value="note"
        :placeholder="t('dish.note')"
        :input-props="{ 'aria-label': t('dish.note') }"
        maxlength="500"
      />
      <div class="acts">
        <n-button
          v-for="w in ways"
          :key="w"
          size="large"
          :disabled="rewashed === null"
          @click="setAside(w)"
          >{{ t(`dish.way.${w}`) }}</n-button
        >
      </div>
      <p class="small">{{ t('dish.decides') }}</p>
    </template>
    <template v-else-if="advice === 'aside' || advice === 'may-return'">
      <h2>{{ t('dish.aside') }}</h2>
      <p v-if="aside">
        {{
          t('dish.asideBy', {
            who: names.person(aside.by),
            time: clock(aside.at),
            way: t(`dish.way.${aside.way}`),
          })
        }}
        {{ t(`dish.wayHow.${aside.way}`) }}
      </p>
      <p v-if="chemicalFails">
        <b>{{ t('dish.chemicalFails') }}</b>
      </p>
      <p v-if="aside && !aside.rewashed && aside.inDoubt > 0">
        <b>{{ t('dish.stillInDoubt', { n: aside.inDoubt }) }}</b>
      </p>
      <div class="acts">
        <template v-if="advice === 'may-return'">
          <n-button v-if="session.mayDo('close-case')" type="primary" size="large" @click="back">{{
            t('dish.backInService')
          }}</n-button>
          <span v-else>{{ t('dish.leadReturns') }}</span>
        </template>
        <span v-else>{{ t(aside?.asks === 'ppm' ? 'dish.passRack' : 'dish.passFirst') }}</span>
        <router-link to="/dish/sink">{{ t('dish.sinkRun') }}</router-link>
        <router-link to="/bench/check">{{ t('dish.checkBench') }}</router-link>
      </div>
    </template>
    <template v-else>
      <h2>{{ t('dish.untold') }}</h2>
      <p>{{ t(dish.told.value.last ? 'dish.untoldHow' : 'dish.neverReadHow') }}</p>
      <router-link
        v-if="dish.told.value.byChemical"
        :to="{ path: '/bench/check', query: { rack: station } }"
        >{{ t('dish.testRackNow') }}</router-link
      >
      <router-link :to="{ path: '/bench/check', query: { what: 'dish-machine', station } }">{{
        t('dish.readByHand')
      }}</router-link>
    </template>
  </section>
</template>

<style scoped>
.advice {
  padding: 14px 18px;
  border-left: 6px solid var(--blank);
  background: var(--line-soft);
  display: grid;
  gap: 8px;
}
.rewash,
.stop,
.aside,
.may-return {
  border-left-color: var(--out);
  background: var(--out-wash);
}
.may-return {
  border-left-color: var(--in);
  background: var(--in-wash);
}
h2 {
  font-size: 24px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}
</style>
