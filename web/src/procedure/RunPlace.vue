<script setup lang="ts">
import type { Facts, InspectChoice, Position } from '@tadka/core/procedure'
import { useWakeLock } from '@vueuse/core'
import { NButton, NInput, NModal, useMessage } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import HoldButton from '../pieces/HoldButton.vue'
import { useNames } from '../record/names.ts'
import { canTakePhotos, usePhotos } from '../record/photos.ts'
import { useSite } from '../record/site.ts'
import MachineNow from './MachineNow.vue'
import RunBar from './RunBar.vue'
import RunChecks from './RunChecks.vue'
import RunLanes from './RunLanes.vue'
import RunEnded from './RunEnded.vue'
import { useRunActs } from './run-acts.ts'
import { useRunView } from './run-view.ts'
import { useStepWords } from './step-words.ts'
import StepFasten from './steps/StepFasten.vue'
import StepInspect from './steps/StepInspect.vue'
import StepLubricate from './steps/StepLubricate.vue'
import StepMix, { type Poured } from './steps/StepMix.vue'
import StepParts from './steps/StepParts.vue'
import StepProduct from './steps/StepProduct.vue'
import StepTend from './steps/StepTend.vue'
import StepWait from './steps/StepWait.vue'

/** One step at a time, huge; the machine's state and what it forbids beside it. */
const props = defineProps<{ run: string }>()
const { t } = useI18n()
const site = useSite()
const names = useNames()
const router = useRouter()
const acts = useRunActs()
const photos = usePhotos()
const message = useMessage()
const { fill, titleOf } = useStepWords()
const { run, station, procedure, positions, position, before, warnings, blocked, lane, lanes } = useRunView(
  () => props.run,
)
const title = (p: Position) => titleOf(p, run.value?.parameters ?? {}, procedure.value)

const lock = useWakeLock()
onMounted(() => void lock.request('screen').catch(() => {}))

const n = computed(() =>
  position.value ? positions.value.findIndex((p) => p.key === position.value?.key) + 1 : 0,
)
const last = computed(() =>
  positions.value.every((p) => run.value?.done[p.key] || p.key === position.value?.key),
)
const ended = computed(() => run.value?.status === 'finished' || run.value?.status === 'abandoned')
const step = computed(() => (position.value?.kind === 'step' ? position.value.step : null))
const isCheck = computed(() => step.value?.kind === 'check')
const group = computed(() => position.value?.group ?? null)
const unusual = computed(() =>
  position.value && group.value && position.value.round > group.value.usualRounds
    ? group.value.usualRounds
    : 0,
)

function done(facts: Facts = {}): void {
  if (run.value && position.value) acts.done(run.value, position.value, facts, last.value)
}
function poured(p: Poured): void {
  const [r, at, s] = [run.value, position.value, step.value]
  if (!r || !at || s?.kind !== 'mix') return
  const bath = `${r.id}-${at.key.replaceAll('.', '-')}`.slice(-64)
  const mixed = site.draftOf(
    'bath.mixed@1',
    { kind: 'bath', id: bath },
    {
      bath,
      where: s.vessel,
      station: r.station,
      run: r.id,
      ...p,
    },
  )
  acts.done(r, at, { product: p.product, pouredMl: p.poured, volumeMl: p.volume, bath }, last.value, mixed)
}
/** Starts the timer; where another lane is free, it comes next. */
function begin(minutes: number): void {
  if (!run.value || !position.value) return
  acts.wait(run.value, position.value, minutes)
  lane.value = null
}
const chose = (c: InspectChoice) => done({ choice: c.id, outcome: c.outcome })
/** A check is done by its reading; where it was the last step, the run ends with it. */
const checked = () =>
  run.value && positions.value.every((p) => run.value?.done[p.key]) && acts.finish(run.value)
const takeBack = () => run.value && before.value && acts.back(run.value, before.value)

/** A photo of a strip or a fault, beside the step that it shows. */
async function photo(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file || !run.value) return
  try {
    await photos.attach(file, {
      station: run.value.station,
      run: run.value.id,
      step: position.value?.key ?? null,
    })
    message.success(t('bench.saved'))
  } catch {
    message.error(t('run.noPicture'))
  }
  input.value = ''
}

const giving = ref(false)
const reason = ref('')
function abandon(): void {
  if (!run.value || reason.value.trim().length < 3) return
  acts.abandon(run.value, reason.value.trim())
  giving.value = false
}
function enter(event: KeyboardEvent): void {
  if (event.target === document.body && step.value?.kind === 'do' && !blocked.value) done()
}
</script>

<template>
  <div v-if="run && station" class="run" tabindex="-1" @keydown.enter="enter">
    <run-bar
      :run-id="run.id"
      :parked="run.status === 'parked'"
      :ended="ended"
      @park="acts.park(run)"
      @resume="acts.resume(run)"
    />
    <run-ended
      v-if="ended"
      :run="run"
      @shift="router.push('/shift')"
      @log="router.push({ path: '/log', query: { run: run.id } })"
    />
    <p v-else-if="!procedure" class="middle">{{ t('run.unknownProcedure') }}</p>
    <div v-else-if="run.status === 'parked'" class="middle parked">
      <h1>{{ t('run.parked') }}</h1>
      <n-button type="primary" class="big" @click="acts.resume(run)">{{ t('run.resume') }}</n-button>
    </div>
    <template v-else-if="position">
      <run-lanes
        v-if="lanes.length > 1"
        :lanes="lanes"
        :taken="position.lane?.key ?? null"
        :title-of="title"
        @take="(key) => (lane = key)"
      />
      <div class="body" :class="{ narrow: isCheck }">
        <section class="step" :class="{ wide: isCheck }">
          <h1 v-if="isCheck" class="visually-hidden">{{ title(position) }}</h1>
          <template v-else>
            <p class="crumb">
              {{ t('run.crumb', { station: names.station(run.station), procedure: procedure.name }) }} ·
              {{ t('run.step', { n, of: positions.length }) }}
              <template v-if="position.lane"> · {{ position.lane.name }}</template>
              <template v-if="position.round > 0"> · {{ t('run.round', { n: position.round }) }}</template>
            </p>
            <h1>{{ title(position) }}</h1>
            <p v-if="step?.who" class="holder">{{ t(`run.who.${step.who}`) }}</p>
            <p v-if="step?.caution" class="caution">{{ step.caution }}</p>
            <p v-if="step?.text" class="text">{{ fill(step.text, run.parameters, procedure) }}</p>
            <p v-if="step?.right" class="right">{{ step.right }}</p>
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
              <b>{{ t('run.blocked') }}:</b> {{ t(`run.why.${blocked.why}`) }}
            </p>
          </template>
          <template v-if="position.kind === 'sign'">
            <div class="act">
              <n-button type="primary" class="big" @click="done({ shown: true })">{{
                t('run.yes')
              }}</n-button>
              <n-button class="big" @click="done({ shown: false })">{{ t('run.no') }}</n-button>
            </div>
          </template>
          <step-mix
            v-else-if="step?.kind === 'mix'"
            :key="position.key"
            :step="step"
            :run="run"
            @poured="poured"
          />
          <step-wait
            v-else-if="step?.kind === 'wait'"
            :key="position.key"
            :step="step"
            :position="position"
            :run="run"
            @begin="begin"
            @over="(early) => done({ early })"
          />
          <step-tend
            v-else-if="step?.kind === 'tend'"
            :key="position.key"
            :step="step"
            :position="position"
            :run="run"
            @begin="begin"
            @visit="run && position && acts.visit(run, position)"
            @over="(early) => done({ early })"
          />
          <run-checks
            v-else-if="step?.kind === 'check'"
            :key="position.key"
            :step="step"
            :position="position"
            :run="run"
            @done="checked"
          />
          <step-parts
            v-else-if="step?.kind === 'parts'"
            :key="position.key"
            :step="step"
            :blocked="blocked !== null"
            @counted="(c) => done({ counted: c })"
          />
          <step-inspect v-else-if="step?.kind === 'inspect'" :step="step" @chose="chose" />
          <step-lubricate v-else-if="step?.kind === 'lubricate'" :step="step" @done="done()" />
          <step-fasten v-else-if="step?.kind === 'fasten'" :step="step" @done="done()" />
          <step-product v-else-if="step?.kind === 'product'" @done="done" />
          <div v-else-if="step?.kind === 'gate'" class="act">
            <p v-if="step.hazardous" class="holder">{{ t('run.holder') }}</p>
            <hold-button v-if="step.hazardous" @held="done({ held: true })">{{ t('run.hold') }}</hold-button>
            <n-button v-else type="primary" class="big" @click="done()">{{ t('run.itIs') }}</n-button>
          </div>
          <div v-else class="act">
            <n-button type="primary" class="big" :disabled="blocked !== null" @click="done()">{{
              t('run.done')
            }}</n-button>
          </div>
          <footer class="rest">
            <n-button v-if="before" quaternary @click="takeBack"
              >{{ t('run.takeBack') }}: {{ title(before) }}</n-button
            >
            <label v-if="canTakePhotos()" class="photo">
              {{ t('run.photo') }}
              <input
                type="file"
                accept="image/*"
                capture="environment"
                class="visually-hidden"
                @change="photo"
              />
            </label>
            <n-button quaternary @click="giving = true">{{ t('run.abandon') }}</n-button>
          </footer>
        </section>
        <machine-now
          :run="run"
          :procedure="procedure"
          :station="station"
          :warnings="warnings"
          :positions="positions"
          :position="position"
        />
      </div>
    </template>
    <div v-else class="middle">
      <n-button type="primary" class="big" @click="acts.finish(run)">{{ t('run.finished') }}</n-button>
    </div>
    <n-modal v-model:show="giving" preset="card" :title="t('run.abandonWhy')" style="width: min(520px, 94vw)">
      <n-input v-model:value="reason" type="textarea" :aria-label="t('run.abandonWhy')" placeholder="" />
      <div class="modal-act">
        <n-button type="error" :disabled="reason.trim().length < 3" @click="abandon">{{
          t('run.abandon')
        }}</n-button>
        <n-button @click="giving = false">{{ t('run.abandonKeep') }}</n-button>
      </div>
    </n-modal>
  </div>
  <p v-else class="middle">
    {{ t('run.none') }} <router-link to="/run">{{ t('place.run') }}</router-link>
  </p>
</template>

<style scoped src="./run-place.css"></style>
