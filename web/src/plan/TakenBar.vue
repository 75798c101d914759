<script setup lang="ts">
import { followUpProcedure } from '@tadka/core/plan'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useStartRun } from '../procedure/start.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import type { Job } from './jobs.ts'
import { usePlanner } from './planner.ts'
import { useJobWords } from './use-job-words.ts'

/** A bar that was tapped: what it is, and what may be done with its run. */
const props = defineProps<{ bar: Job; mayPlan: boolean }>()
const emit = defineEmits<{ close: [] }>()
const site = useSite()
const planner = usePlanner()
const names = useNames()
const { t } = useI18n()
const { clock } = useTimes()
const { start, open: openRun } = useStartRun()
const words = useJobWords()

const going = computed(() => site.one('station', props.bar.station)?.currentRun ?? null)
const procedure = computed(() => props.bar.procedure)
/** It has no steps: it is closed in the list of what inspections asked for. */
const followUp = computed(() => procedure.value === followUpProcedure)

function open(): void {
  if (going.value) openRun(going.value.run)
  else start(props.bar.station, procedure.value)
}
function letGo(): void {
  planner.unpin(props.bar.run)
  emit('close')
}
</script>

<template>
  <div class="taken">
    <div class="text">
      <b
        >{{ names.station(bar.station) }}:
        {{ followUp ? t('shift.followUps') : names.procedure(procedure) }}</b
      >
      <p class="small">
        {{ names.person(bar.person) }}, {{ clock(bar.from) }} – {{ clock(bar.to) }}.
        {{ words.lasts(bar, bar.from) }}
        <template v-if="bar.by">{{ t('plan.by', { who: names.person(bar.by) }) }}</template>
      </p>
      <ol class="parts small">
        <li v-for="p in bar.parts" :key="p.from">
          {{ clock(p.from) }} {{ p.kind === 'wait' ? t('plan.waiting', { what: p.title }) : p.title }}
        </li>
        <li v-for="v in bar.visits" :key="`v${v.at}`">
          {{ t('plan.visit', { time: clock(v.at), who: names.person(v.person) }) }}
        </li>
      </ol>
    </div>
    <span v-if="followUp" class="quiet">{{ t('plan.closeInList') }}</span>
    <n-button v-else size="large" type="primary" @click="open">{{
      t(going ? 'plan.go' : 'plan.begin')
    }}</n-button>
    <n-button v-if="bar.pinned && mayPlan" size="large" @click="letGo">{{ t('plan.unpin') }}</n-button>
    <n-button size="large" @click="emit('close')">{{ t('common.close') }}</n-button>
  </div>
</template>

<style scoped>
.taken {
  display: flex;
  align-items: center;
  gap: 14px;
  padding-bottom: 10px;
  flex-wrap: wrap;
}
.text {
  flex: 1;
}
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
</style>
