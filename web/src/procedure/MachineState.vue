<script setup lang="ts">
import type { Forbidden, Position, Procedure, RunState, StationState } from '@tadka/core/procedure'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useFacets } from '../site/facets.ts'
import { useStepWords } from '../site/step-words.ts'

/** The machine's state and what it forbids, and the steps around the current one: always in view. */
const props = defineProps<{
  run: RunState
  procedure: Procedure
  station: StationState
  warnings: readonly Forbidden[]
  positions: readonly Position[]
  position: Position | null
}>()
const { t } = useI18n()
const { titleOf } = useStepWords()

const facets = useFacets(() => props.station)
/** The steps shown: two before, the current, and those after it that fit. */
const around = computed(() => {
  const lane = props.position?.lane?.key
  const own = props.positions
    .map((p, i) => ({
      p,
      n: i + 1,
      done: props.run.done[p.key] !== undefined,
      now: p.key === props.position?.key,
    }))
    .filter(({ p }) => !lane || p.lane === null || p.lane.key === lane)
  const at = own.findIndex((s) => s.now)
  const from = Math.max(0, (at < 0 ? own.length : at) - 2)
  return own.slice(from, from + 8)
})
</script>

<template>
  <aside class="machine">
    <h2 class="label">{{ t('run.machineNow') }}</h2>
    <dl>
      <div v-for="[name, value] in facets" :key="name" class="facet">
        <dt>{{ t(`run.facet.${name}`) }}</dt>
        <dd>{{ value }}</dd>
      </div>
    </dl>
    <p v-for="w in warnings" :key="w.act" class="never">
      <b>{{ t(`run.act.${w.act}`) }}:</b> {{ t(`run.why.${w.why}`) }}
    </p>
    <h2 class="label">{{ t('run.beforeAfter') }}</h2>
    <ol>
      <li
        v-for="s in around"
        :key="s.p.key"
        :class="{ done: s.done, now: s.now }"
        :aria-current="s.now ? 'step' : undefined"
      >
        <span class="n">{{ s.n }}</span>
        <span>{{ titleOf(s.p, run.parameters, procedure) }}</span>
      </li>
    </ol>
  </aside>
</template>

<style scoped>
.machine {
  border-left: 1px solid var(--line);
  padding: 18px var(--gutter);
  overflow: auto;
}
.label {
  margin-bottom: 6px;
}
.facet {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line-soft);
}
dd {
  font-weight: 600;
  text-align: right;
}
.never {
  margin-top: 10px;
  padding: 9px 12px;
  background: var(--out-wash);
  border-left: 5px solid var(--out);
  line-height: 1.3;
}
.never + .label,
dl + .label {
  margin-top: 20px;
}
li {
  display: grid;
  grid-template-columns: 34px 1fr;
  padding: 6px 0;
  line-height: 1.25;
}
.n,
.done {
  color: var(--ink-3);
}
.now {
  font-weight: 650;
}
</style>
