<script setup lang="ts">
import { modelCode } from '@tadka/core/rules'
import type { FaultState, Practice, Score } from '@tadka/core/practice'
import type { RunState } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import PracticeSign from '../procedure/PracticeSign.vue'
import { useNames } from '../site/names.ts'
import { useUnits } from '../site/units.ts'

/** What a practice run came to: what was caught, what was missed and why it matters, what was no fault. */
const props = defineProps<{ practice: Practice; run: RunState; score: Score }>()
const emit = defineEmits<{ again: []; other: []; leave: [] }>()
const { t } = useI18n()
const names = useNames()
const units = useUnits()
const at = (step: string) => names.step(props.run.id, step)
const says = (f: FaultState) =>
  t(`practice.fault.${f.kind}`, {
    part: f.kind === 'part-missing' ? names.part(props.run.id, f.at, f.of ?? '') : '',
    product: f.kind === 'wrong-bottle' ? names.product(f.of ?? '') : '',
  })
const why = (f: FaultState) =>
  t(`practice.why.${f.kind}`, { least: units.limit(modelCode.dishMachine.rinse.leastOther.c) })
</script>

<template>
  <div class="score">
    <practice-sign />
    <h1>{{ t(score.passed ? 'practice.passed' : 'practice.notPassed', { n: score.points }) }}</h1>
    <p v-if="run.status === 'abandoned'">{{ t('practice.abandoned') }}</p>
    <p v-else-if="practice.faults.length === 0" class="none">{{ t('practice.nothingWrong') }}</p>
    <section v-if="score.missed.length > 0">
      <h2>{{ t('practice.missed') }}</h2>
      <ul>
        <li v-for="f in score.missed" :key="f.at" class="missed">
          <b>{{ says(f) }}</b>
          <span class="quiet">{{ t('practice.at', { step: at(f.at) }) }}</span>
          <span>{{ why(f) }}</span>
        </li>
      </ul>
    </section>
    <section v-if="score.caught.length > 0">
      <h2>{{ t('practice.caught') }}</h2>
      <ul>
        <li v-for="f in score.caught" :key="f.at">
          <b>{{ says(f) }}</b>
          <span class="quiet">{{ t('practice.at', { step: at(f.at) }) }}</span>
          <span v-if="!f.caught?.soon">{{ t('practice.late') }}</span>
        </li>
      </ul>
    </section>
    <section v-if="practice.falseAlarms.length > 0">
      <h2>{{ t('practice.falseAlarms') }}</h2>
      <ul>
        <li v-for="(a, i) in practice.falseAlarms" :key="i" class="alarm">
          <b>{{ t(`practice.alarm.${a.kind}`) }}</b>
          <span class="quiet">{{ t('practice.at', { step: at(a.step) }) }}</span>
        </li>
      </ul>
    </section>
    <section v-if="score.notReached.length > 0 && run.status !== 'abandoned'">
      <p class="quiet">
        {{ t('practice.notReached', { n: score.notReached.length }, score.notReached.length) }}
      </p>
    </section>
    <div class="act">
      <n-button type="primary" size="large" @click="emit('other')">{{ t('practice.other') }}</n-button>
      <n-button size="large" @click="emit('again')">{{ t('practice.again') }}</n-button>
      <n-button size="large" @click="emit('leave')">{{ t('check.done') }}</n-button>
    </div>
  </div>
</template>

<style scoped>
.score {
  padding: 24px var(--gutter) 32px;
  max-width: 900px;
  display: grid;
  gap: 18px;
  justify-items: start;
}
h1 {
  font-size: 40px;
  line-height: 1.15;
}
h2 {
  font-size: 22px;
  margin-bottom: 8px;
}
ul {
  display: grid;
  gap: 12px;
}
li {
  display: grid;
  gap: 2px;
  padding: 4px 0 4px 16px;
  border-left: 5px solid var(--in);
  max-width: 44em;
  font-size: 18px;
}
.missed {
  border-left-color: var(--out);
}
.alarm {
  border-left-color: var(--close);
}
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
}
</style>
