<script setup lang="ts">
import { exceptionsOf, onlyOf, readingsOf, type DaySheet } from '@tadka/core/sheet'
import { checkWords, pouredWords, summaryWords } from '@tadka/words/sheet'
import { spanWords } from '@tadka/words/tell'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import VerdictMark from '../pieces/VerdictMark.vue'
import DayLeftList from '../record/DayLeftList.vue'
import { useNames } from '../site/names.ts'
import { useTeller } from '../site/teller.ts'
import CaseStory from './CaseStory.vue'
import HappenedRow from './HappenedRow.vue'
import NoteRow from './NoteRow.vue'
import RackChart from './RackChart.vue'
import ReadingRow from './ReadingRow.vue'
import RunRow from './RunRow.vue'

/** A day as a person would keep it: what was not as it should be first, then station by station. */
const props = defineProps<{
  of: DaySheet
  /** A station's id; empty: every one. */ station: string
}>()
const { t } = useI18n()
const tell = useTeller()
const names = useNames()

const sheet = computed(() => onlyOf(props.of, props.station === '' ? [] : [props.station]))
const first = computed(() => exceptionsOf(sheet.value))
const readings = computed(() => new Map(readingsOf(sheet.value).map((r) => [r.record, r])))
const isEmpty = computed(() => {
  const { stations, cases, baths, readings: loose, checks, happened } = sheet.value
  return [stations, cases, baths, loose, checks, happened].every((all) => all.length === 0)
})
</script>

<template>
  <p class="summary">{{ summaryWords(tell, sheet) }}</p>
  <section v-if="sheet.left.length > 0 || !isEmpty">
    <h2 v-if="sheet.left.length > 0">{{ t('sheet.wrong') }}</h2>
    <day-left-list :left="sheet.left" whole />
  </section>
  <section v-if="first.runs.length + first.amended.length + first.happened.length > 0">
    <h2>{{ t('sheet.first') }}</h2>
    <ul>
      <run-row v-for="r in first.runs" :key="r.run" :line="r" named />
      <reading-row v-for="r in first.amended" :key="r.record" :line="r" />
      <happened-row v-for="h in first.happened" :key="h.record" :line="h" />
    </ul>
  </section>
  <p v-if="isEmpty" class="quiet">{{ t('sheet.nothing') }}</p>
  <section v-if="sheet.cases.length > 0">
    <h2>{{ t('sheet.corrective') }}</h2>
    <ul>
      <case-story
        v-for="c in sheet.cases"
        :key="c.id"
        :of="c"
        :opened-by="readings.get(c.id) ?? null"
        :day="sheet.day"
      />
    </ul>
  </section>
  <section v-if="sheet.happened.length > 0">
    <h2>{{ t('sheet.happened') }}</h2>
    <ul>
      <happened-row v-for="h in sheet.happened" :key="h.record" :line="h" />
    </ul>
  </section>
  <section v-for="s in sheet.stations" :key="s.station" class="station">
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
  <section v-if="sheet.baths.length > 0">
    <h2>{{ t('sheet.baths') }}</h2>
    <ul>
      <li v-for="b in sheet.baths" :key="b.record" class="bath">
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
  <section v-if="sheet.readings.length > 0">
    <h2>{{ t('sheet.elsewhere') }}</h2>
    <ul>
      <reading-row v-for="r in sheet.readings" :key="r.record" :line="r" />
    </ul>
  </section>
  <section v-if="sheet.checks.length > 0">
    <h2>{{ t('sheet.checks') }}</h2>
    <ul>
      <li v-for="c in sheet.checks" :key="c.record">
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
