<script setup lang="ts">
import { showMinutes } from '@tadka/core/quantity'
import type { StationState } from '@tadka/core/procedure'
import { sinkOf, type CompartmentNow } from '@tadka/core/warewash'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from '../pieces/span-words.ts'
import { useKit } from '../site/kit.ts'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useStartRun } from '../procedure/start.ts'
import BasketTimers from '../solution/BasketTimers.vue'
import { useSite } from '../site/site.ts'
import { useBaths } from '../solution/baths.ts'
import { now } from '../wire/clock.ts'
import BasinDrawing from './BasinDrawing.vue'

/** A sink's compartments as they stand: how full, what is in them, how warm, how strong, how old, and what each asks for next. */
const props = defineProps<{ station: StationState }>()
const { t } = useI18n()
const span = useSpanWords()
const site = useSite()
const kit = useKit()
const baths = useBaths()
const { start } = useStartRun()
const { clock } = useTimes()
const units = useUnits()

const mine = computed(() => site.all('bath').filter((b) => b.station === props.station.id))
const compartments = computed(() =>
  sinkOf(
    props.station,
    mine.value,
    (id) => Boolean(kit.products.value.find((p) => p.id === id)?.agent),
    site.set?.bath,
    (b) => baths.value.find((s) => s.id === b.id)?.outlook?.testBy ?? null,
    now(),
  ),
)
const age = (at: number) => {
  const minutes = Math.floor(Math.max(0, now() - at) / 60_000)
  return t('bench.age', { time: showMinutes(minutes) })
}
function asks({ use, state, goodUntil }: CompartmentNow): string {
  if (state === 'stands') return t('dish.sink.stands', { time: clock(goodUntil ?? 0) })
  return t(state === 'test' && use === 'rinse' ? 'dish.sink.testRinse' : `dish.sink.${state}`)
}
const wash = computed(() => props.station.washWater)
/** The wash's temperature, where it was read since it was filled. */
const warmth = (c: CompartmentNow) =>
  c.use === 'wash' && wash.value?.celsius && c.filledAt !== null && wash.value.at >= c.filledAt
    ? wash.value
    : null
/** The sanitizer as it stands now: a reading is of its moment. */
function strength(c: CompartmentNow) {
  const last = c.use === 'sanitize' ? c.bath?.lastReading : null
  const standing = baths.value.find((b) => b.id === c.bath?.id)
  return last ? { ...last, verdict: standing?.now.verdict ?? last.verdict } : null
}
/** The reading that its verdict is of. */
const read = (c: CompartmentNow) => warmth(c) ?? strength(c)
const outlook = (c: CompartmentNow) => baths.value.find((b) => b.id === c.bath?.id)?.outlook ?? null
const setUp = computed(() => compartments.value.every((c) => c.state === 'empty'))
function run(procedure: 'sink.set-up' | 'sink.change'): void {
  start(props.station.id, procedure)
}
</script>

<template>
  <section class="sink" :aria-label="station.plate?.name ?? ''">
    <div class="head">
      <h2>{{ station.plate?.name }}</h2>
      <span class="quiet">{{ t('dish.sink.order') }}</span>
      <n-button size="large" :type="setUp ? 'primary' : 'default'" @click="run('sink.set-up')">{{
        t('dish.sink.setUp')
      }}</n-button>
      <n-button v-if="!setUp" size="large" type="primary" @click="run('sink.change')">{{
        t('dish.sink.changeWater')
      }}</n-button>
    </div>
    <ol>
      <li v-for="c in compartments" :key="c.use">
        <h3>{{ t(`dish.sink.${c.use}`) }}</h3>
        <basin-drawing
          :use="c.use"
          :full="c.volume && c.capacity ? c.volume / c.capacity : 0"
          :label="t('dish.sink.drawing', { use: t(`dish.sink.${c.use}`), state: asks(c) })"
        >
          <b v-if="warmth(c)">{{ span(units.spanInDegrees(warmth(c)!.celsius!), units.degree.value) }}</b>
          <b v-else-if="strength(c)?.strength">{{ span(strength(c)!.strength!, 'ppm') }}</b>
        </basin-drawing>
        <p class="asks" :class="c.state">{{ asks(c) }}</p>
        <template v-if="c.filledAt !== null">
          <p v-if="c.bath">
            {{ c.bath.productName }}<template v-if="c.volume">, {{ units.volume(c.volume) }}</template>
          </p>
          <p v-else-if="c.volume">{{ units.volume(c.volume) }}</p>
          <p class="quiet small">
            {{ t('dish.sink.filled', { time: clock(c.filledAt), age: age(c.filledAt) }) }}
          </p>
          <p v-if="read(c)" class="small read">
            <verdict-mark :verdict="read(c)!.verdict" :size="18" />
            {{ t('dish.sink.read', { time: clock(read(c)!.at) }) }}
          </p>
          <p v-else-if="c.use === 'wash'" class="small">{{ t('dish.sink.notRead') }}</p>
          <p v-if="c.state !== 'change' && c.testBy" class="small">
            {{ t('dish.sink.changeBy', { time: clock(c.changeBy ?? 0) }) }}
          </p>
          <p v-if="outlook(c)?.likely" class="small">
            {{
              t((outlook(c)?.likely ?? 0) <= now() ? 'bench.weakened' : 'bench.weakens', {
                ppm: outlook(c)?.least ?? 0,
                time: clock(outlook(c)?.likely ?? 0),
                from: clock(outlook(c)?.earliest ?? 0),
                to: outlook(c)?.latest ? clock(outlook(c)?.latest ?? 0) : t('bench.later'),
              })
            }}
          </p>
        </template>
        <basket-timers
          v-if="c.use === 'sanitize' && c.bath"
          :bath="c.bath"
          :spent="baths.find((b) => b.id === c.bath?.id)?.now.call === 'change'"
        />
        <p class="quiet small">{{ t(`dish.sink.changeWhen.${c.use}`) }}</p>
        <router-link
          v-if="c.use !== 'rinse' && c.filledAt !== null"
          :to="{
            path: '/bench/check',
            query:
              c.use === 'wash' ? { what: 'wash-water', station: station.id } : { bath: c.bath?.id ?? '' },
          }"
          >{{ t('bench.check') }}</router-link
        >
      </li>
    </ol>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
}
.head .quiet {
  margin-right: auto;
}
ol {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 24px;
  margin-top: 8px;
}
h3 {
  margin: 0;
  font-size: 18px;
}
li p {
  margin-top: 2px;
}
.read {
  display: flex;
  gap: 8px;
  align-items: center;
}
.asks {
  font-size: 20px;
  font-weight: 650;
}
.asks.change,
.asks.test {
  text-decoration: underline 3px var(--close);
  text-underline-offset: 5px;
}
.asks.empty {
  color: var(--ink-2);
}
a {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
@media (max-width: 760px) {
  ol {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
