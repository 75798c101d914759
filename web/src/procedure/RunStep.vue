<script setup lang="ts">
import {
  watchKey,
  type Facts,
  type Position,
  type Procedure,
  type RunState,
  type SafetyRule,
  type StationState,
} from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import HoldButton from '../pieces/HoldButton.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import StepPicture from '../site/StepPicture.vue'
import StepSpare from './steps/StepSpare.vue'
import MixIn from '../rerun/MixIn.vue'
import { useSpares } from '../site/spares.ts'
import { useReruns } from '../rerun/reruns.ts'
import RunChecks from './RunChecks.vue'
import { useStepWords } from '../site/step-words.ts'
import StepFasten from './steps/StepFasten.vue'
import StepInspect from './steps/StepInspect.vue'
import StepLubricate from './steps/StepLubricate.vue'
import StepMix, { type Poured } from './steps/StepMix.vue'
import StepParts from './steps/StepParts.vue'
import StepProduct from './steps/StepProduct.vue'
import StepRead from './steps/StepRead.vue'
import StepTend from './steps/StepTend.vue'
import StepWait from './steps/StepWait.vue'

/** The step at hand: what to do, what it asks for, and the one way to say that it is done. */
const props = defineProps<{
  run: RunState
  station: StationState
  procedure: Procedure
  positions: readonly Position[]
  position: Position
  blocked: SafetyRule | null
  /** Only tried: nothing of it is recorded. */
  trial?: boolean
}>()
const emit = defineEmits<{
  done: [facts: Facts, ...with_: AnyDraft[]]
  begin: []
  visit: [millilitres: number]
  checked: []
  missing: [part: string]
}>()
/** What went wrong at the site and stops this run. */
const closure = computed(() => (props.blocked === 'closed' ? props.station.closures?.[0] : undefined))
const { t } = useI18n()
const site = useSite()
const names = useNames()
const { fill, titleOf } = useStepWords()
const { mixes, open } = useReruns()
const { optionsFor } = useSpares()

const step = computed(() => (props.position.kind === 'step' ? props.position.step : null))
const title = computed(() => titleOf(props.position, props.run.parameters, props.procedure))
const n = computed(() => props.positions.findIndex((p) => p.key === props.position.key) + 1)
const group = computed(() => props.position.group)
const unusual = computed(() =>
  group.value && props.position.round > group.value.usualRounds ? group.value.usualRounds : 0,
)
const watched = computed(
  () => props.station.watched[watchKey(props.run.procedure.id, props.position.key)] ?? [],
)

/** Mix goes in: which, and what was kept before it. */
const takesMix = computed(
  () =>
    step.value?.kind === 'do' &&
    step.value.effects?.contents === 'product' &&
    (mixes.value.length > 0 || open.value.length > 0),
)

function poured(p: Poured): void {
  const s = step.value
  if (s?.kind !== 'mix') return
  const { id, station } = props.run
  const bath = `${id}-${props.position.key.replaceAll('.', '-')}`.slice(-64)
  const mixed = site.draftOf(
    'bath.mixed@1',
    { kind: 'bath', id: bath },
    { bath, where: s.vessel, station, run: id, ...p },
  )
  const amount = p.measured ? { amount: p.measured.amount, unit: p.measured.unit } : { pouredMl: p.poured }
  emit('done', { product: p.product, ...amount, volumeMl: p.volume, bath }, mixed)
}
</script>

<template>
  <h1 v-if="step?.kind === 'check'" class="visually-hidden">{{ title }}</h1>
  <template v-else>
    <p class="crumb">
      {{ t('run.crumb', { station: names.station(run.station), procedure: procedure.name }) }} ·
      {{ t('run.step', { n, of: positions.length }) }}
      <template v-if="position.lane"> · {{ position.lane.name }}</template>
      <template v-if="position.round > 0"> · {{ t('run.round', { n: position.round }) }}</template>
    </p>
    <h1>{{ title }}</h1>
    <p v-if="step?.who" class="holder">{{ t(`run.who.${step.who}`) }}</p>
    <p v-if="step?.caution" class="caution">{{ step.caution }}</p>
    <p v-if="step?.text" class="text">{{ fill(step.text, run.parameters, procedure) }}</p>
    <p v-if="step?.right" class="right">{{ step.right }}</p>
    <div v-if="step?.pictures" class="pictures">
      <step-picture v-for="p in step.pictures" :key="p.sha256" :picture="p" />
    </div>
    <p v-if="unusual" class="caution">
      {{ t('run.unusual', { n: position.round, usual: unusual }) }}
    </p>
    <div v-if="n === 1" class="ready">
      <h2 class="label">{{ t('run.materials') }}</h2>
      <ul>
        <li v-for="m in procedure.materials" :key="m">{{ m }}</li>
      </ul>
      <p v-for="c in procedure.cautions" :key="c" class="before">{{ c }}</p>
    </div>
    <p v-if="blocked" class="blocked" role="alert">
      <b>{{ t('run.blocked') }}:</b> {{ t(`run.why.${blocked}`) }}
      <router-link v-if="closure" :to="`/shift/wrong/${closure.incident}`" class="link">{{
        t('run.begins.wrong')
      }}</router-link>
    </p>
  </template>
  <!-- Nothing is done while something is wrong at the site. -->
  <template v-if="blocked === 'closed'" />
  <div v-else-if="position.kind === 'sign'" class="act">
    <n-button type="primary" class="big" @click="emit('done', { shown: true })">{{ t('run.yes') }}</n-button>
    <n-button class="big" @click="emit('done', { shown: false })">{{ t('run.no') }}</n-button>
  </div>
  <step-mix
    v-else-if="step?.kind === 'mix'"
    :step="step"
    :run="run"
    :blocked="blocked !== null"
    @poured="poured"
  />
  <step-wait
    v-else-if="step?.kind === 'wait'"
    :step="step"
    :position="position"
    :run="run"
    :blocked="blocked !== null"
    @begin="emit('begin')"
    @over="emit('done', {})"
    @cooled="(celsius) => emit('done', { celsius })"
  />
  <step-tend
    v-else-if="step?.kind === 'tend'"
    :step="step"
    :position="position"
    :run="run"
    :blocked="blocked !== null"
    @begin="emit('begin')"
    @visit="(v) => emit('visit', v)"
    @over="emit('done', {})"
  />
  <run-checks
    v-else-if="step?.kind === 'check'"
    :step="step"
    :position="position"
    :run="run"
    @done="emit('checked')"
  />
  <step-parts
    v-else-if="step?.kind === 'parts'"
    :step="step"
    :name="`${run.id}.${position.key}`"
    :blocked="blocked !== null"
    :trial="trial ?? false"
    @counted="(facts) => emit('done', facts)"
    @missing="(part) => emit('missing', part)"
  />
  <step-inspect
    v-else-if="step?.kind === 'inspect'"
    :step="step"
    :watched="watched"
    :blocked="blocked !== null"
    @chose="(c, more) => emit('done', { choice: c.id, ...more })"
  />
  <step-lubricate v-else-if="step?.kind === 'lubricate'" :step="step" @done="emit('done', {})" />
  <step-fasten v-else-if="step?.kind === 'fasten'" :step="step" @done="emit('done', {})" />
  <step-read
    v-else-if="step?.kind === 'read'"
    :key="position.key"
    :step="step"
    :parameters="run.parameters"
    :station="station"
    :blocked="blocked !== null"
    @done="(facts) => emit('done', facts)"
  />
  <step-product
    v-else-if="step?.kind === 'product'"
    :run="run"
    :step="position.key"
    :station="station"
    :trial="trial ?? false"
    @done="(facts, ...with_) => emit('done', facts, ...with_)"
  />
  <mix-in
    v-else-if="takesMix && !trial"
    :run="run"
    :step="position.key"
    :station="station"
    :blocked="blocked !== null"
    @done="(facts, ...with_) => emit('done', facts, ...with_)"
  />
  <step-spare
    v-else-if="step?.spare && !trial && optionsFor(station).length > 0"
    :key="position.key"
    :station="station"
    :blocked="blocked !== null"
    @done="(facts, ...with_) => emit('done', facts, ...with_)"
  />
  <div v-else-if="step?.kind === 'gate'" class="act">
    <hold-button v-if="step.hazardous" :disabled="blocked !== null" @held="emit('done', { held: true })">{{
      t('run.hold')
    }}</hold-button>
    <n-button v-else type="primary" class="big" :disabled="blocked !== null" @click="emit('done', {})">{{
      t('run.itIs')
    }}</n-button>
    <p v-if="step.hazardous" class="holder">{{ t('run.holder') }}</p>
  </div>
  <div v-else class="act">
    <n-button type="primary" class="big" :disabled="blocked !== null" @click="emit('done', {})">{{
      t('run.done')
    }}</n-button>
  </div>
</template>

<style scoped src="./run-step.css"></style>
