<script setup lang="ts">
import { exceptionsOf, type DaySheet } from '@tadka/core/sheet'
import { checkWords, pouredWords, summaryWords } from '@tadka/words/sheet'
import { spanWords } from '@tadka/words/tell'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import VerdictMark from '../pieces/VerdictMark.vue'
import DayLeftList from '../record/DayLeftList.vue'
import { useNames } from '../site/names.ts'
import { useTeller } from '../site/teller.ts'
import CaseStory from './CaseStory.vue'
import NoteRow from './NoteRow.vue'
import RackChart from './RackChart.vue'
import ReadingRow from './ReadingRow.vue'
import RunRow from './RunRow.vue'

/** A day as a person would keep it: what was not as it should be first, then station by station. */
const props = defineProps<{
  sheet: DaySheet
  /** A station's id; empty: every one. */ station: string
}>()
const { t } = useI18n()
const tell = useTeller()
const names = useNames()

const isHere = (station: string | null) => props.station === '' || props.station === station
const stations = computed(() => props.sheet.stations.filter((s) => isHere(s.station)))
const cases = computed(() => props.sheet.cases.filter((c) => isHere(c.station)))
const left = computed(() =>
  props.sheet.left.filter((l) => l.what === 'amended' || isHere('station' in l ? l.station : null)),
)
const baths = computed(() => props.sheet.baths.filter((b) => isHere(b.mixed.station)))
const readings = computed(() => (props.station === '' ? props.sheet.readings : []))
const checks = computed(() => (props.station === '' ? props.sheet.checks : []))
const all = computed(() => {
  const { stations: of, readings: loose, baths: mixed } = props.sheet
  const here = of.flatMap((s) => [...s.readings, ...s.runs.flatMap((r) => r.readings)])
  return new Map([...here, ...loose, ...mixed.flatMap((b) => b.readings)].map((r) => [r.record, r]))
})
const first = computed(() => {
  const { runs, amended } = exceptionsOf(props.sheet)
  return {
    runs: runs.filter((r) => isHere(r.station)),
    amended: amended.filter((r) => isHere(r.reading.station)),
  }
})
const readingOf = (id: string) => all.value.get(id) ?? null
const summary = computed(() => summaryWords(tell, props.sheet, stations.value, cases.value))
const isEmpty = computed(
  () =>
    stations.value.length +
      cases.value.length +
      baths.value.length +
      readings.value.length +
      checks.value.length ===
    0,
)
</script>

<template>
  <p class="summary">{{ summary }}</p>
  <section v-if="left.length > 0 || !isEmpty">
    <h2 v-if="left.length > 0">{{ t('sheet.wrong') }}</h2>
    <day-left-list :left="left" whole />
  </section>
  <section v-if="first.runs.length + first.amended.length > 0">
    <h2>{{ t('sheet.first') }}</h2>
    <ul>
      <run-row v-for="r in first.runs" :key="r.run" :line="r" named />
      <reading-row v-for="r in first.amended" :key="r.record" :line="r" />
    </ul>
  </section>
  <p v-if="isEmpty" class="quiet">{{ t('sheet.nothing') }}</p>
  <section v-if="cases.length > 0">
    <h2>{{ t('sheet.corrective') }}</h2>
    <ul>
      <case-story v-for="c in cases" :key="c.id" :of="c" :opened-by="readingOf(c.id)" />
    </ul>
  </section>
  <section v-for="s in stations" :key="s.station" class="station">
    <h2>
      {{ names.station(s.station) }} <span class="quiet small">{{ names.where(s.station) }}</span>
    </h2>
    <ul>
      <run-row v-for="r in s.runs" :key="r.run" :line="r" />
      <reading-row v-for="r in s.readings" :key="r.record" :line="r" />
      <note-row v-for="n in s.notes" :key="n.record" :line="n" />
    </ul>
    <rack-chart v-if="s.cycles" :cycles="s.cycles" :from="sheet.from" :to="sheet.to" />
  </section>
  <section v-if="baths.length > 0">
    <h2>{{ t('sheet.baths') }}</h2>
    <ul>
      <li v-for="b in baths" :key="b.record" class="bath">
        <div class="line">
          <span class="time">{{ tell.clock(b.at) }}</span>
          <span class="what">
            <span>
              {{
                t('sheet.mixed', {
                  volume: tell.volume(b.mixed.volume),
                  product: b.mixed.productName,
                  poured: pouredWords(tell, b.mixed),
                })
              }}
            </span>
            <span class="small quiet">{{
              b.mixed.station ? names.station(b.mixed.station) : b.mixed.where
            }}</span>
            <span v-for="r in b.readings" :key="r.record" class="strip">
              {{ tell.clock(r.at) }}
              {{
                r.reading.what === 'sanitizer' && r.reading.reading.strength
                  ? spanWords(tell.t, r.reading.reading.strength, 'ppm')
                  : ''
              }}
              <verdict-mark v-if="r.verdict" :verdict="r.verdict" :size="16" />
              {{ tell.person(r.by) }}
            </span>
          </span>
          <span class="who">{{ tell.person(b.by) }}</span>
        </div>
      </li>
    </ul>
  </section>
  <section v-if="readings.length > 0">
    <h2>{{ t('sheet.elsewhere') }}</h2>
    <ul>
      <reading-row v-for="r in readings" :key="r.record" :line="r" />
    </ul>
  </section>
  <section v-if="checks.length > 0">
    <h2>{{ t('sheet.checks') }}</h2>
    <ul>
      <li v-for="c in checks" :key="c.record">
        <div class="line">
          <span class="time">{{ tell.clock(c.at) }}</span>
          <span class="what">{{ checkWords(tell, names.instrument(c.checked.instrument), c.checked) }}</span>
          <span class="who">{{ tell.person(c.by) }}</span>
          <span class="verdict">
            <verdict-mark v-if="'verdict' in c.checked" :verdict="c.checked.verdict" :size="20" />
          </span>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped src="./rows.css" />
<style scoped>
.summary {
  font-size: 20px;
  padding: 10px 0 4px;
}
section {
  padding-top: 18px;
}
h2 {
  font-size: 20px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 4px;
  break-after: avoid;
}
.strip {
  display: flex !important;
  gap: 10px;
  align-items: center;
  font-variant-numeric: tabular-nums;
}
</style>
