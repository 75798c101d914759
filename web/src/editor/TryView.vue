<script setup lang="ts">
import {
  conflictsAt,
  currentPosition,
  defaultFreshHours,
  lastDone,
  servesFamily,
  walk,
  type Facts,
  type Position,
  type Procedure,
} from '@tadka/core/procedure'
import { rehearse, rehearsedBack, rehearsedCheck, rehearsedStep, rehearsedWait } from '@tadka/core/record'
import type { Verdict } from '@tadka/core/rules'
import { Refusal } from '@tadka/core/refusal'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import MachineState from '../procedure/MachineState.vue'
import RunStep from '../procedure/RunStep.vue'
import { useSite } from '../site/site.ts'
import { useStepWords } from '../site/step-words.ts'

/** A procedure worked through on the screen as a run shows it: waits are over at once, checks read what is said, nothing is recorded. */
const props = defineProps<{ procedure: Procedure }>()
const { t } = useI18n()
const site = useSite()
const { titleOf } = useStepWords()

const stations = computed(() =>
  site
    .all('station')
    .filter(({ plate }) => plate !== null && servesFamily(props.procedure, plate.family))
    .map((s) => ({ value: s.id, label: s.plate?.name ?? s.id })),
)
const on = ref<string | null>(stations.value[0]?.value ?? null)
const verdicts: readonly Verdict[] = ['in', 'too-close', 'out', 'cannot-tell']

function begin() {
  const plate = (on.value && site.one('station', on.value)?.plate) || {
    name: '',
    tag: '',
    place: '',
    family: props.procedure.family,
    model: '',
    duties: [],
    parameters: {},
  }
  return rehearse(props.procedure, plate, (id) => site.one('product', id), on.value ?? undefined)
}
const fault = ref('')
function tried<T>(what: () => T): T | null {
  try {
    fault.value = ''
    return what()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    fault.value = error.message
    return null
  }
}
const now = shallowRef(tried(begin))
watch([() => props.procedure, on], () => (now.value = tried(begin)))

const walked = computed(() =>
  now.value ? walk(now.value.procedure, now.value.run) : { positions: [], open: [] },
)
const lane = ref<string | null>(null)
const position = computed<Position | null>(() => {
  if (!now.value) return null
  return (
    walked.value.open.find((p) => p.lane !== null && p.lane.key === lane.value) ??
    currentPosition(now.value.procedure, now.value.run)
  )
})
const before = computed(() => (now.value ? lastDone(walked.value.positions, now.value.run) : null))
const blocked = computed(() => {
  const [r, p] = [now.value, position.value]
  return r && p
    ? (conflictsAt(r.procedure, r.run, r.station, p, { at: r.at, freshHours: defaultFreshHours })[0] ?? null)
    : null
})
const step = computed(() => (position.value?.kind === 'step' ? position.value.step : null))
const title = (p: Position) => titleOf(p, now.value?.run.parameters ?? {}, props.procedure)
const isTimed = computed(() => step.value?.kind === 'wait' || step.value?.kind === 'tend')

function act(
  how: (r: NonNullable<typeof now.value>, p: Position) => NonNullable<typeof now.value>,
  at = position.value,
): void {
  const r = now.value
  if (r && at) now.value = tried(() => how(r, at)) ?? r
}
</script>

<template>
  <div class="try">
    <header>
      <p class="quiet">{{ t('editor.try.how') }}</p>
      <n-select
        v-if="stations.length > 1"
        v-model:value="on"
        class="on"
        :options="stations"
        :aria-label="t('editor.try.on')"
      />
      <n-button @click="now = tried(begin)">{{ t('editor.try.again') }}</n-button>
      <n-button v-if="before" @click="act(rehearsedBack, before)"
        >{{ t('run.takeBack') }}: {{ title(before) }}</n-button
      >
    </header>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <div v-if="now" class="body">
      <section v-if="position" :data-step="position.key">
        <div v-if="walked.open.length > 1" class="lanes">
          <n-button
            v-for="p in walked.open"
            :key="p.key"
            :type="p.key === position.key ? 'primary' : 'default'"
            @click="lane = p.lane?.key ?? null"
            >{{ p.lane?.name }}: {{ title(p) }}</n-button
          >
        </div>
        <template v-if="isTimed || step?.kind === 'check'">
          <h1>{{ title(position) }}</h1>
          <p v-if="step?.caution" class="caution">{{ step.caution }}</p>
          <p v-if="step?.text">{{ step.text }}</p>
          <p v-if="blocked" class="fault" role="alert">
            <b>{{ t('run.blocked') }}:</b> {{ t(`run.why.${blocked}`) }}
          </p>
          <n-button
            v-if="isTimed"
            type="primary"
            size="large"
            :disabled="blocked !== null"
            @click="act(rehearsedWait)"
            >{{ t('editor.try.wait') }}</n-button
          >
          <template v-else>
            <p class="quiet">{{ t('editor.try.reads') }}</p>
            <div class="lanes">
              <n-button
                v-for="v in verdicts"
                :key="v"
                size="large"
                @click="act((r, p) => rehearsedCheck(r, p, v))"
                >{{ t(`verdict.${v}`) }}</n-button
              >
            </div>
          </template>
        </template>
        <run-step
          v-else
          :key="position.key"
          :run="now.run"
          :station="now.station"
          :procedure="now.procedure"
          :positions="walked.positions"
          :position="position"
          :blocked="blocked"
          trial
          @done="(facts: Facts) => act((r, p) => rehearsedStep(r, p, facts))"
        />
      </section>
      <section v-else class="end">
        <h1>{{ t('editor.try.end') }}</h1>
        <p class="quiet">{{ t('editor.try.endHow') }}</p>
      </section>
      <machine-state
        :run="now.run"
        :procedure="now.procedure"
        :station="now.station"
        :warnings="[]"
        :positions="walked.positions"
        :position="position"
      />
    </div>
  </div>
</template>

<style scoped>
.try {
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  padding-bottom: 10px;
}
header p {
  flex: 1 1 320px;
}
.on {
  width: 220px;
}
.body {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 20px;
  border-top: 1px solid var(--line);
}
section {
  display: flex;
  flex-direction: column;
  gap: 14px;
  align-items: flex-start;
  padding: 18px 0;
  overflow: auto;
}
section > :deep(.act) {
  position: sticky;
  bottom: -18px;
  width: 100%;
  padding: 8px 0 14px;
  background: var(--paper);
}
.lanes {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
@media (max-width: 760px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
