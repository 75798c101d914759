<script setup lang="ts">
import { showCountdown } from '@tadka/core/quantity'
import { currentPosition, outline, procedureOfRun, waitEndsAt, type RunState } from '@tadka/core/procedure'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { now } from '../wire/clock.ts'
import { useStepWords } from '../site/step-words.ts'

/** Each run under way: who, which step, what it waits for. */
defineProps<{ runs: readonly RunState[] }>()
const emit = defineEmits<{ goOn: [run: string] }>()
const { t } = useI18n()
const names = useNames()
const { titleOf } = useStepWords()

function at(run: RunState) {
  const procedure = procedureOfRun(run)
  const positions = procedure ? outline(procedure, run) : []
  const position = procedure ? currentPosition(procedure, run) : null
  const ends = position ? waitEndsAt(run, position.key) : null
  const whole = position ? (run.waits[position.key]?.minutes ?? 0) * 60_000 : 0
  return {
    title: position ? titleOf(position, run.parameters, procedure) : t('run.finished'),
    n: position ? positions.findIndex((p) => p.key === position.key) + 1 : positions.length,
    of: positions.length,
    left: ends === null ? '' : showCountdown(Math.min(whole, ends - now())),
  }
}
</script>

<template>
  <h2 class="label">{{ t('shift.running') }}</h2>
  <div v-if="runs.length > 0" class="runs">
    <button v-for="r in runs" :key="r.id" type="button" @click="emit('goOn', r.id)">
      <span class="who">
        {{ names.person(r.lastBy) }} · {{ names.station(r.station) }}
        <b v-if="at(r).left" class="left">{{ at(r).left }}</b>
      </span>
      <span class="what">{{ r.status === 'parked' ? t('run.parked') : at(r).title }}</span>
      <span class="quiet small">{{ t('shift.step', { n: at(r).n, of: at(r).of }) }}</span>
    </button>
  </div>
  <p v-else class="quiet">{{ t('shift.nobody') }}</p>
</template>

<style scoped>
.runs {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 12px;
  margin-top: 6px;
}
button {
  text-align: left;
  border: 0;
  border-left: 3px solid var(--sea);
  background: none;
  padding: 4px 14px;
  min-height: 76px;
  cursor: pointer;
}
.who {
  color: var(--ink-2);
  font-size: 15px;
  display: flex;
  justify-content: space-between;
}
.left {
  color: var(--ink);
}
.what {
  display: block;
  font-weight: 600;
  font-size: 18px;
  line-height: 1.22;
}
</style>
