<script setup lang="ts">
import type { Facts, Position } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { useWakeLock } from '@vueuse/core'
import { NButton, NInput } from 'naive-ui'
import { computed, onMounted, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { pressesChanged } from '../pieces/press-guard.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useSite } from '../site/site.ts'
import MachineState from './MachineState.vue'
import RunBar from './RunBar.vue'
import RunEnded from './RunEnded.vue'
import RunFooter from './RunFooter.vue'
import RunLanes from './RunLanes.vue'
import RunStep from './RunStep.vue'
import RunStopped from './RunStopped.vue'
import StandsBy from '../training/StandsBy.vue'
import { useRunActs } from './run-acts.ts'
import { useRunView } from './run-view.ts'
import { useStepWords } from '../site/step-words.ts'
import DialogCard from '../pieces/DialogCard.vue'

/** One step at a time, huge; the machine's state and what it forbids beside it. */
const props = defineProps<{ run: string }>()
const { t } = useI18n()
const site = useSite()
const router = useRouter()
const acts = useRunActs()
const { titleOf } = useStepWords()
const { run, station, procedure, positions, position, before, warnings, blocked, lane, lanes, safe } =
  useRunView(() => props.run)
const title = (p: Position) => titleOf(p, run.value?.parameters ?? {}, procedure.value)

const lock = useWakeLock()
onMounted(() => void lock.request('screen').catch(() => {}))

/** What is on the screen: where it changes, nothing answers to a press that began before. */
const shown = computed(() => {
  const at = position.value?.key ?? ''
  return [run.value?.status, at, run.value?.waits[at]?.startedAt, run.value?.cut[at]?.ms].join(' ')
})
watch(shown, pressesChanged)

const ended = computed(() => run.value?.status === 'finished' || run.value?.status === 'abandoned')
const isCheck = computed(() => position.value?.kind === 'step' && position.value.step.kind === 'check')

function done(facts: Facts, ...with_: AnyDraft[]): void {
  if (run.value && position.value) acts.done(run.value, position.value, facts, ...with_)
}
/** Starts the timer; where another lane is free, it comes next. */
function begin(): void {
  if (!run.value || !position.value) return
  acts.wait(run.value, position.value)
  lane.value = null
}
const takeBack = () => run.value && before.value && acts.back(run.value, before.value)

/** What is asked for a reason: giving the run up, or taking the machine out of service. */
const asking = ref<'abandon' | 'stop' | null>(null)
const reason = ref('')
const gaveUp = ref<AnyDraft | null>(null)
function ask(what: 'abandon' | 'stop'): void {
  reason.value = ''
  asking.value = what
}
function answer(): void {
  const why = reason.value.trim()
  if (!run.value || why.length < 3) return
  if (asking.value === 'abandon') gaveUp.value = acts.abandon(run.value, why)
  else acts.outOfService(run.value.station, why)
  asking.value = null
}
function enter(event: KeyboardEvent): void {
  const doing = position.value?.kind === 'step' && position.value.step.kind === 'do'
  if (event.target === document.body && !event.repeat && doing && !blocked.value) done({})
}
</script>

<template>
  <div v-if="run && station" class="run" tabindex="-1" @keydown.enter="enter">
    <run-bar
      :run-id="run.id"
      :step="position?.key ?? ''"
      :parked="run.status === 'parked'"
      :ended="ended || run.status === 'stopped'"
      @park="acts.park(run)"
      @resume="acts.resume(run)"
    />
    <stands-by v-if="!site.isPractice && (run.status === 'running' || run.status === 'parked')" :run="run" />
    <run-ended
      v-if="ended"
      :run="run"
      :procedure="procedure"
      :station="station"
      @shift="router.push('/shift')"
      @log="router.push({ path: '/log/entries', query: { run: run.id } })"
    >
      <take-back-now v-if="gaveUp" :draft="gaveUp" />
    </run-ended>
    <p v-else-if="!procedure" class="middle">{{ t('run.unknownProcedure') }}</p>
    <run-stopped
      v-else-if="run.status === 'stopped'"
      :run="run"
      :procedure="procedure"
      :station="station"
      :safe="safe"
    />
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
      <div
        class="body"
        :class="{ narrow: isCheck && !$slots['beside'], shared: $slots['beside'] !== undefined }"
      >
        <section
          class="step"
          :class="{ checking: isCheck }"
          :data-step="position.key"
          :data-kind="position.kind === 'sign' ? 'sign' : position.step.kind"
        >
          <run-step
            :key="position.key"
            :run="run"
            :station="station"
            :procedure="procedure"
            :positions="positions"
            :position="position"
            :blocked="blocked"
            @done="done"
            @begin="begin"
            @visit="(v) => run && position && acts.visit(run, position, v)"
            @checked="acts.finishIfDone(run.id)"
            @missing="(part) => run && position && acts.missing(run, position, part)"
          />
          <run-footer
            :run="run"
            :position="position"
            :before="before ? title(before) : null"
            @back="takeBack"
            @abandon="ask('abandon')"
            @stop="ask('stop')"
          />
        </section>
        <slot name="beside" :position="position" :warnings="warnings" :positions="positions" />
        <machine-state
          v-if="!$slots['beside']"
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
      <n-button type="primary" class="big" @click="acts.finishIfDone(run.id)">{{
        t('run.finishRun')
      }}</n-button>
    </div>
    <dialog-card
      :show="asking !== null"
      :title="t(asking === 'stop' ? 'house.takeOutWhy' : 'run.abandonWhy')"
      width="min(520px, 94vw)"
      @update:show="asking = null"
    >
      <n-input
        v-model:value="reason"
        type="textarea"
        :input-props="{ 'aria-label': t(asking === 'stop' ? 'house.takeOutWhy' : 'run.abandonWhy') }"
        :placeholder="t(asking === 'stop' ? 'house.takeOutLike' : 'run.abandonLike')"
      />
      <div class="modal-act">
        <n-button type="error" size="large" :disabled="reason.trim().length < 3" @click="answer">{{
          t(asking === 'stop' ? 'house.takeOut' : 'run.abandon')
        }}</n-button>
        <n-button size="large" @click="asking = null">{{ t('run.abandonKeep') }}</n-button>
      </div>
    </dialog-card>
  </div>
  <p v-else-if="!site.loaded" class="middle">{{ t('common.loading') }}</p>
  <p v-else class="middle">
    {{ t('run.unknown') }} <router-link to="/run">{{ t('place.run') }}</router-link>
  </p>
</template>

<style scoped src="./run-place.css"></style>
