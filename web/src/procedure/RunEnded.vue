<script setup lang="ts">
import {
  outline,
  overriddenStep,
  type Procedure,
  type RunState,
  type StationState,
} from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { spokenLength } from '@tadka/words/length'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useStepWords } from '../site/step-words.ts'

/** A run at its end: what was done, and what of it did not happen as it must. */
const props = defineProps<{ run: RunState; procedure: Procedure | null; station: StationState }>()
const emit = defineEmits<{ shift: []; log: [] }>()
const { t } = useI18n()
const names = useNames()
const session = useSession()
const { titleOf } = useStepWords()

const minutes = computed(() =>
  Math.max(1, Math.round(((props.run.endedAt ?? 0) - props.run.startedAt) / 60_000)),
)
/** Waits that were shorter than they must be, by step. */
const short = computed(() =>
  (props.procedure ? outline(props.procedure, props.run) : []).flatMap((p) => {
    const done = props.run.done[p.key]
    if (!done?.short || p.kind !== 'step') return []
    const times = { ms: spokenLength(done.short.ms), least: spokenLength(done.short.leastMs) }
    const step = titleOf(p, props.run.parameters, props.procedure)
    return done.overridden
      ? [
          t('run.ended.notSanitized', {
            step,
            ...times,
            who: names.person(done.overridden.by),
            reason: done.overridden.reason,
          }),
        ]
      : [t('run.ended.short', { step, ...times })]
  }),
)
/** Whose work it was, for whoever signs off: what was not good enough, or has been shown, is said on their card. */
const worker = computed(() => {
  const by = props.run.learner ?? props.run.lastBy
  return session.mayDo('sign-off') && by !== session.acting?.id ? by : null
})
const overridden = computed(() => overriddenStep(props.run) !== null)
</script>

<template>
  <div class="ended">
    <svg v-if="!overridden" width="180" height="60" viewBox="0 0 180 66" aria-hidden="true">
      <path d="M6 40c22-30 44-30 66 0s50 30 102-16" />
    </svg>
    <template v-if="run.status === 'finished'">
      <h1>{{ t(overridden ? 'run.ended.over' : 'run.finished') }}</h1>
      <p>
        {{
          t('run.finishedSay', {
            procedure: names.procedure(run.procedure.id),
            station: names.station(run.station),
            minutes,
          })
        }}
      </p>
      <p v-for="s in short" :key="s" class="short" :class="{ grave: overridden }">{{ s }}</p>
      <p v-if="overridden" class="short grave">{{ t('run.ended.stillDue') }}</p>
      <p v-if="run.startOverridden" class="short">
        {{
          t('run.ended.startOverridden', {
            who: names.person(run.startOverridden.by),
            reason: run.startOverridden.reason,
          })
        }}
      </p>
    </template>
    <h1 v-else>{{ t('run.abandonedSay', { reason: run.reason }) }}</h1>
    <slot />
    <div class="act">
      <n-button type="primary" size="large" @click="emit('shift')">{{ t('run.toShift') }}</n-button>
      <n-button size="large" @click="emit('log')">{{ t('run.toLog') }}</n-button>
      <router-link v-if="worker" :to="`/house/card/${worker}`" class="card">{{
        t('run.theirCard', { name: names.person(worker) })
      }}</router-link>
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
  line-height: 1.15;
}
p {
  font-size: 22px;
  color: var(--ink-2);
  max-width: 34em;
}
.short {
  padding: 8px 16px;
  color: var(--ink);
  background: var(--close-wash);
  border-left: 5px solid var(--close);
}
.grave {
  background: var(--out-wash);
  border-left-color: var(--out);
  font-weight: 650;
}
.card {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.act {
  display: flex;
  flex-wrap: wrap;
  justify-content: center;
  gap: 14px;
  margin-top: 14px;
}
</style>
