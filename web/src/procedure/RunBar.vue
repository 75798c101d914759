<script setup lang="ts">
import { openPositions, procedureOfRun, waitEndsAt } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import ActingChip from '../people/ActingChip.vue'
import WaitRope from '../pieces/WaitRope.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { now } from '../wire/clock.ts'
import CallHelp from './CallHelp.vue'
import PracticeSign from './PracticeSign.vue'
import { useCaller } from './caller.ts'

/** The top edge: back, the waits of the other runs, who acts, and the way to serve in between. */
const props = defineProps<{ runId: string; step: string; parked: boolean; ended: boolean }>()
const emit = defineEmits<{ park: []; resume: [] }>()
const { t } = useI18n()
const site = useSite()
const names = useNames()
const router = useRouter()

const waits = computed(() =>
  site
    .all('run')
    .filter((r) => r.status === 'running' || r.status === 'parked')
    .flatMap((r) => {
      const procedure = procedureOfRun(r)
      return (procedure ? openPositions(procedure, r) : []).flatMap((position) => {
        const ends = waitEndsAt(r, position.key)
        if (ends === null || position.kind === 'sign') return []
        const startedAt = r.waits[position.key]?.startedAt ?? ends
        const label = `${names.station(r.station)}: ${position.step.title}`
        return [{ run: r.id, key: position.key, label, ends, startedAt }]
      })
    }),
)
useCaller(waits)
const run = computed(() => site.one('run', props.runId))
/** Its plate's numbers are typical ones still. */
const isTypical = computed(() => {
  const run = site.one('run', props.runId)
  return !!run && site.one('station', run.station)?.plate?.typical === true
})
const others = computed(() => waits.value.filter((w) => w.run !== props.runId))
</script>

<template>
  <header class="run-bar">
    <n-button quaternary class="back" @click="router.push(site.isPractice ? '/shift/training' : '/shift')"
      >‹ {{ t(site.isPractice ? 'run.toTraining' : 'place.shift') }}</n-button
    >
    <practice-sign v-if="site.isPractice" />
    <router-link v-for="w in others" :key="w.run + w.key" :to="`/run/${w.run}`" class="other">
      <wait-rope :label="w.label" :ends-at="w.ends" :started-at="w.startedAt" :now="now()" />
    </router-link>
    <div class="here">
      <span v-if="isTypical" class="small typical">{{ t('machines.typical') }}</span>
      <call-help v-if="run && !ended && !site.isPractice" :run="run" :step="step" />
      <acting-chip />
      <n-button
        v-if="!ended && !site.isPractice"
        class="park"
        @click="parked ? emit('resume') : emit('park')"
      >
        {{ t(parked ? 'run.resume' : 'run.park') }}
      </n-button>
    </div>
  </header>
</template>

<style scoped>
.typical {
  max-width: 170px;
  border-left: 4px solid var(--close);
  padding-left: 8px;
}
.run-bar {
  min-height: 76px;
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 0 var(--gutter) 0 10px;
  border-bottom: 1px solid var(--line);
  flex-wrap: wrap;
}
.other {
  text-decoration: none;
  color: inherit;
}
.here {
  margin-left: auto;
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 14px;
  align-items: center;
}
</style>
