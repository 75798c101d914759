<script setup lang="ts">
import { decimals } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from '../pieces/span-words.ts'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import type { AnyDraft } from '@tadka/core/stream'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useSite } from '../site/site.ts'
import { now } from '../wire/clock.ts'
import type { Dish } from './dish.ts'

/** What is counted and what falls due at which count; the detergent; the rinse's outlook; and where to look first. */
const props = defineProps<{ station: string; dish: Dish }>()
const { t } = useI18n()
const span = useSpanWords()
const site = useSite()
const { clock, day } = useTimes()
const units = useUnits()
const dayMs = 86_400_000

const when = (at: number | null) =>
  at === null
    ? ''
    : at - now() < dayMs / 2
      ? t('dish.about', { time: clock(at) })
      : t('dish.aboutDay', { day: day(at) })
const left = (count: { left: number | null; at: number | null } | null) =>
  !count
    ? t('dish.noCount')
    : count.left === null
      ? when(count.at).replace(/^, /, '')
      : count.left === 0
        ? t('dish.dueNow')
        : t('dish.left', { n: count.left, when: when(count.at) })
const water = computed(() => props.dish.told.value.water)
const delime = computed(() => props.dish.told.value.delime)
const rate = computed(() => props.dish.told.value.rate.lastHour)
const rated = computed(() => props.dish.told.value.rated)
const trend = computed(() => props.dish.told.value.outlook.trend)
const misses = computed(() => props.dish.told.value.outlook.misses)
const tested = computed(() => props.dish.told.value.rackTest)
const scale = computed(() => props.dish.told.value.scale)
/** What to pour by hand, where the feed gives nothing or cannot be told. */
const byHand = computed(() => {
  const plan = props.dish.told.value.handDose
  if (!plan || props.dish.told.value.detergent === 'kept') return ''
  const atFill = decimals(plan.atFill, 0)
  return plan.everyRacks > 0
    ? t('dish.doseByHand', { atFill, grams: decimals(plan.grams, 0), n: plan.everyRacks })
    : t('dish.doseOnce', { atFill })
})
const dayOf = (d: number) => day(d * dayMs + dayMs / 2)
/** The range, where it is more than the day itself. */
const range = computed(() => {
  const m = misses.value
  if (!m) return ''
  const [from, to] = [dayOf(m.earliest), m.latest === null ? null : dayOf(m.latest)]
  if (to === null) return t('dish.missesFrom', { from })
  return from === to ? '' : t('dish.missesBetween', { from, to })
})
/** What a tap just said: it can be taken back. */
const justChanged = ref<AnyDraft | null>(null)
function changed(): void {
  const subject = { kind: 'dish', id: props.station } as const
  justChanged.value = site.record('dish.water-changed@1', subject, { station: props.station })
}
</script>

<template>
  <aside :aria-label="t('dish.counts')">
    <dl>
      <div>
        <dt>{{ t('dish.sinceWater') }}</dt>
        <dd>
          <b>{{ dish.state.value.since.water.racks }}</b>
          {{ water?.every ? t('dish.of', { n: water.every }) : '' }}
          <span class="quiet small" :class="{ over: water?.left === 0 }">{{ left(water) }}</span>
          <take-back-now
            v-if="justChanged"
            :key="justChanged.id"
            :draft="justChanged"
            @back="justChanged = null"
          />
          <n-button @click="changed">{{ t('dish.changed') }}</n-button>
        </dd>
      </div>
      <div>
        <dt>{{ t('dish.sinceClean') }}</dt>
        <dd>
          <b>{{ dish.state.value.since.clean.racks }}</b>
          <span v-if="dish.state.value.since.clean.at" class="quiet small">{{
            t('dish.cleaned', {
              when: `${day(dish.state.value.since.clean.at)} ${clock(dish.state.value.since.clean.at)}`,
            })
          }}</span>
        </dd>
      </div>
      <div v-if="delime">
        <dt>{{ t('dish.sinceDelime') }}</dt>
        <dd>
          <b>{{ dish.state.value.since.delime.racks }}</b> {{ t('dish.of', { n: delime.every }) }}
          <span class="quiet small" :class="{ over: delime.left === 0 }">{{ left(delime) }}</span>
          <span v-if="scale" class="quiet small">{{
            t('dish.scale', { g: decimals(scale.grams, 0), due: decimals(scale.due, 0) })
          }}</span>
        </dd>
      </div>
      <div>
        <dt>{{ t('dish.thisHour') }}</dt>
        <dd>
          <b>{{ rate }}</b> {{ rated ? t('dish.rated', { n: rated }) : '' }}
          <span v-if="rated && rate > rated" class="over">{{ t('dish.tooFast') }}</span>
        </dd>
      </div>
      <div>
        <dt>{{ t('dish.detergent') }}</dt>
        <dd>{{ t(`dish.dose.${dish.told.value.detergent}`) }}</dd>
        <dd v-if="dish.told.value.doseMisses" class="small">
          {{ t('dish.doseMisses', { day: dayOf(dish.told.value.doseMisses.day) }) }}
        </dd>
        <dd v-if="dish.told.value.drum" class="quiet small">
          {{
            t('dish.drum', {
              name: dish.told.value.drum.name,
              left: units.volume(dish.told.value.drum.left),
            })
          }}{{
            dish.told.value.drum.emptyAt
              ? t('dish.drumEmpty', { day: day(dish.told.value.drum.emptyAt) })
              : ''
          }}
        </dd>
        <dd v-if="byHand" class="small">{{ byHand }}</dd>
      </div>
      <div v-if="dish.told.value.testsRack">
        <dt>{{ t('dish.rackTest') }}</dt>
        <dd>
          <template v-if="tested">
            <verdict-mark :verdict="tested.verdict" />
            {{
              t('dish.rackTested', {
                strength: tested.ppm ? span(tested.ppm, 'ppm') : '–',
                time: clock(tested.at),
              })
            }}
          </template>
          <template v-else>{{ t('dish.neverTested') }}</template>
          <router-link :to="{ path: '/bench/check', query: { rack: station } }">{{
            t('dish.testRack')
          }}</router-link>
        </dd>
      </div>
    </dl>
    <h2>{{ t('dish.outlook') }}</h2>
    <p v-if="misses" class="warn">
      <b>{{ t('dish.misses', { day: dayOf(misses.day) }) }}</b>
      {{ range }}
      {{ t('dish.sinks', { v: units.difference(Math.abs(trend?.slope ?? 0), 2) }) }}
    </p>
    <p v-else-if="trend" class="quiet">{{ t('dish.steady', { v: units.read(trend.now) }) }}</p>
    <p v-else class="quiet">{{ t('dish.noTrend') }}</p>
    <template v-if="dish.told.value.likely.length > 0">
      <h2>{{ t('dish.likely') }}</h2>
      <ul>
        <li v-for="l in dish.told.value.likely" :key="l.fault">
          <b>{{ t(`dish.fault.${l.fault}`) }}</b>
          <span>{{ l.look.map((k) => t(`dish.look.${k}`)).join(' ') }}</span>
          <span class="quiet small">{{ t(`dish.who.${l.who}`) }}</span>
        </li>
      </ul>
      <p class="quiet small">{{ t('dish.decides') }}</p>
    </template>
  </aside>
</template>

<style scoped>
dl {
  display: grid;
  gap: 2px;
}
dl div {
  padding: 7px 0;
  border-bottom: 1px solid var(--line-soft);
}
dt {
  font-weight: 600;
  color: var(--ink-2);
  font-size: 16px;
}
dd {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 10px;
}
dd b {
  font-size: 26px;
  line-height: 1.1;
}
dd :deep(.n-button) {
  margin-left: auto;
}
h2 {
  margin: 16px 0 4px;
}
li {
  display: grid;
  gap: 2px;
  padding: 6px 0;
}
.over {
  color: var(--out);
  font-weight: 600;
}
.warn {
  background: var(--close-wash);
  padding: 10px 12px;
  border-radius: var(--r);
}
.warn b {
  display: block;
  font-size: 19px;
}
</style>
