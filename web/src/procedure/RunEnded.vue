<script setup lang="ts">
import type { RunState } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useNames } from '../record/names.ts'

const props = defineProps<{ run: RunState }>()
const emit = defineEmits<{ shift: []; log: [] }>()
const { t } = useI18n()
const names = useNames()
const minutes = computed(() =>
  Math.max(1, Math.round(((props.run.endedAt ?? 0) - props.run.startedAt) / 60_000)),
)
</script>

<template>
  <div class="ended">
    <svg width="180" height="60" viewBox="0 0 180 66" aria-hidden="true">
      <path d="M6 40c22-30 44-30 66 0s50 30 102-16" />
    </svg>
    <template v-if="run.status === 'finished'">
      <h1>{{ t('run.finished') }}</h1>
      <p>
        {{
          t('run.finishedSay', {
            procedure: names.procedure(run.procedure.id),
            station: names.station(run.station),
            minutes,
          })
        }}
      </p>
    </template>
    <h1 v-else>{{ t('run.abandonedSay', { reason: run.reason }) }}</h1>
    <div class="act">
      <n-button type="primary" size="large" @click="emit('shift')">{{ t('run.toShift') }}</n-button>
      <n-button size="large" @click="emit('log')">{{ t('run.toLog') }}</n-button>
    </div>
  </div>
</template>

<style scoped>
.ended {
  flex: 1;
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 18px;
  text-align: center;
  padding: 24px;
}
path {
  fill: none;
  stroke: var(--sea);
  stroke-width: 7;
  stroke-linecap: round;
}
h1 {
  font-size: 44px;
}
p {
  font-size: 22px;
  color: var(--ink-2);
}
.act {
  display: flex;
  gap: 14px;
  margin-top: 14px;
}
</style>
