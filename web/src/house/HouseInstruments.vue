<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useUnits } from '../site/units.ts'
import { useNames } from '../site/names.ts'
import { now } from '../wire/clock.ts'
import InstrumentCheck from './InstrumentCheck.vue'
import InstrumentForm from './InstrumentForm.vue'
import TypicalInstruments from './TypicalInstruments.vue'
import { instrumentTyped, type InstrumentKind } from './instrument-draft.ts'
import { useKit, type Kinded } from '../site/kit.ts'

/** What the site measures with: in date or not, checked or not. */
const { t } = useI18n()
const kit = useKit()
const names = useNames()
const units = useUnits()
const session = useSession()
const { date } = useTimes()

type Any = Kinded<InstrumentKind>
const all = computed(() => kit.instruments.value as Any[])
const open = ref<string | null>(null)
const editing = ref<Any | 'new' | null>(null)
const may = computed(() => session.mayDo('set-up-house'))

/** Where it is fixed, what it is made for, and whether it failed: what decides which readings it may take. */
function more(i: Any): string {
  const parts = [
    'station' in i && i.station ? t('house.fixedTo', { station: names.station(i.station) }) : '',
    'madeFor' in i && i.madeFor?.length
      ? t('house.madeFor', { list: i.madeFor.map((p) => names.product(p)).join(', ') })
      : '',
  ]
  return parts.filter(Boolean).join(' · ')
}
const bad = (i: Any) => (i.failed ? t('house.failedIce') : past(i) ? t('house.past') : '')

function told(i: Any): string {
  switch (i.kind) {
    case 'strip':
      return t('house.stripBlocks', { list: i.blocks.join(' / '), unit: i.unit, date: date(i.bestBefore) })
    case 'titration':
      return t('house.kitDrops', { ppm: i.perDrop, date: date(i.bestBefore) })
    case 'thermometer':
      return t('house.accuracy', { value: i.accuracy, unit: i.unit, date: date(i.checkDue) })
    case 'pressure-gauge':
      return t('house.accuracy', { value: i.accuracy, unit: i.unit, date: date(i.checkDue) })
    case 'indicator':
      return t('house.turnsAt', { value: i.turnsAt, unit: i.unit, date: date(i.bestBefore) })
    case 'tool': {
      const typed = instrumentTyped(i).numbers
      return t('house.toolMarks', { ...typed, unit: i.marks ?? 'mL' })
    }
    case 'scale':
      return t('house.scaleMarks', { graduation: i.graduation, error: i.error })
    case 'dispenser':
      return t('house.dispenserGives', {
        volume: units.measured(i.millilitres),
        by: t(`house.instrument.by.${i.by}`),
        product: names.product(i.product),
      })
  }
}
/** What can be checked here: a machine's own gauge goes into no ice. */
const checked = (i: Any) =>
  (i.kind === 'thermometer' && i.station === undefined) || i.kind === 'dispenser' ? i : null
const past = (i: Any) =>
  ('bestBefore' in i && now() > i.bestBefore) || ('checkDue' in i && now() > i.checkDue)
</script>

<template>
  <section>
    <ul>
      <li v-for="i in all" :key="i.id">
        <div class="line">
          <b>{{ i.name }}</b>
          <span :class="bad(i) ? 'past' : 'quiet'">{{
            [told(i), more(i), bad(i)].filter(Boolean).join(' · ')
          }}</span>
          <span v-if="i.kind === 'strip'" class="card" aria-hidden="true">
            <i v-for="(c, n) in i.colours" :key="n" :style="{ background: c }" />
          </span>
          <span class="acts">
            <n-button
              v-if="checked(i)"
              :aria-expanded="open === i.id"
              @click="open = open === i.id ? null : i.id"
            >
              {{ t(i.kind === 'thermometer' ? 'house.instrument.ice' : 'house.instrument.check') }}
            </n-button>
            <n-button v-if="may" @click="editing = i">{{ t('house.change') }}</n-button>
          </span>
        </div>
        <instrument-check v-if="open === i.id && checked(i)" :instrument="checked(i)!" />
        <instrument-form
          v-if="editing !== 'new' && editing?.id === i.id"
          :instrument="i"
          @close="editing = null"
        />
      </li>
    </ul>
    <typical-instruments v-if="may && editing === null" />
    <instrument-form v-if="editing === 'new'" :instrument="null" @close="editing = null" />
    <n-button v-else-if="may" type="primary" size="large" class="add" @click="editing = 'new'">
      {{ t('house.instrument.new') }}
    </n-button>
    <p v-else class="quiet">{{ t('house.mayNot') }}</p>
  </section>
</template>

<style scoped>
li {
  border-bottom: 1px solid var(--line-soft);
}
.line {
  display: grid;
  grid-template-columns: 240px 1fr auto 210px;
  gap: 16px;
  align-items: center;
  min-height: 60px;
}
.card {
  display: flex;
  gap: 4px;
}
.card i {
  width: 26px;
  height: 26px;
  border-radius: 3px;
}
.acts {
  grid-column: -2;
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}
.past {
  font-weight: 650;
}
.add {
  margin-top: 18px;
}
@media (max-width: 760px) {
  .acts {
    grid-column: auto;
    justify-content: flex-start;
  }
  .line {
    grid-template-columns: 1fr;
    gap: 4px;
    padding: 10px 0;
  }
}
</style>
