<script setup lang="ts">
import type { RunLine } from '@tadka/core/sheet'
import { exceptionWords, runTimes } from '@tadka/words/sheet'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useTeller } from '../site/teller.ts'
import ReadingRow from './ReadingRow.vue'
import RunSteps from './RunSteps.vue'

/** One cleaning of a day: from, to, what, who, what its checks say, what was not as it should be; opened, its steps. */
const props = defineProps<{ line: RunLine; named?: boolean }>()
const { t } = useI18n()
const tell = useTeller()
const open = ref(false)
const what = computed(() => {
  const { procedure, station } = props.line
  return props.named ? `${tell.station(station)}: ${tell.procedure(procedure)}` : tell.procedure(procedure)
})
</script>

<template>
  <li class="run">
    <button type="button" class="line" :aria-expanded="open" @click="open = !open">
      <span class="time">{{ runTimes(tell, line) }}</span>
      <span class="what">
        <b>{{ what }}</b>
        <span v-for="(e, i) in line.exceptions" :key="i" class="exception" :class="e.what">
          {{ exceptionWords(tell, e) }}
        </span>
      </span>
      <span class="who">{{ line.by.map(tell.person).join(', ') }}</span>
      <span class="verdict">
        <verdict-mark v-if="line.verdict" :verdict="line.verdict" :size="20" />
        <span v-else class="small quiet">{{ t('sheet.noCheck') }}</span>
      </span>
    </button>
    <ul v-if="line.readings.length > 0" class="checks" :class="{ open }">
      <reading-row v-for="r in line.readings" :key="r.record" :line="r" />
    </ul>
    <run-steps v-if="open" :run="line.run" />
  </li>
</template>

<style scoped src="./rows.css" />
<style scoped>
.exception {
  font-weight: 600;
  padding-left: 8px;
  border-left: 4px solid var(--close);
}
.exception.not-sanitized {
  border-left-color: var(--out);
}
.checks {
  display: none;
  padding-left: 24px;
}
.checks.open {
  display: block;
}
@media print {
  .checks {
    display: block;
  }
}
</style>
