<script setup lang="ts">
import {
  type Facts,
  type InspectChoice,
  type Step,
  type Watched,
  watchesBeforeDecision,
} from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../../site/times.ts'
import HoldButton from '../../pieces/HoldButton.vue'
import { useSession } from '../../rights/session.ts'
import { useNames } from '../../site/names.ts'

/** A sign and its choices: what each means is said beneath it; what was said last time stands above. */
const props = defineProps<{
  step: Step & { kind: 'inspect' }
  watched: readonly Watched[]
  blocked: boolean
}>()
const emit = defineEmits<{ chose: [choice: InspectChoice, facts?: Facts] }>()
const { t } = useI18n()
const names = useNames()
const session = useSession()
const { day, clock } = useTimes()

const nameOf = (id: string) => props.step.choices.find((c) => c.id === id)?.name ?? id
const last = computed(() => props.watched.at(-1) ?? null)
/** An eye kept on it this often asks for a decision: replace it or stop, or somebody looks at it who may decide. */
const mustDecide = computed(() => props.watched.length >= watchesBeforeDecision)
const decided = computed(() =>
  props.step.choices.some((c) => c.outcome === 'replace' || c.outcome === 'technician'),
)
/** Who may decide to go on with it. */
const leads = computed(() => session.mayDo('override'))
const stopping = ref<InspectChoice | null>(null)
const asking = ref<InspectChoice | null>(null)
function chose(c: InspectChoice): void {
  if (c.outcome === 'technician') stopping.value = c
  else if (c.outcome === 'watch' && mustDecide.value && decided.value) asking.value = c
  else emit('chose', c)
}
</script>

<template>
  <div v-if="stopping" class="confirm">
    <p class="means" role="alert">{{ t('run.stopMeans', { choice: stopping.name }) }}</p>
    <div class="act">
      <hold-button @held="stopping && emit('chose', stopping)">{{ t('run.holdStop') }}</hold-button>
      <n-button class="alt" @click="stopping = null">{{ t('common.back') }}</n-button>
    </div>
  </div>
  <div v-else class="inspect">
    <p v-if="last" class="last" :class="{ decide: mustDecide }">
      {{
        t('run.watchedLast', {
          choice: nameOf(last.choice),
          when: `${day(last.at)} ${clock(last.at)}`,
          who: names.person(last.by),
          n: watched.length,
        })
      }}
      <b v-if="mustDecide">{{ t('run.watchedDecide') }}</b>
    </p>
    <p v-if="asking" class="last decide" role="alert">
      {{ t(leads ? 'run.watchedLead' : 'run.watchedNotAgain') }}
      <n-button v-if="leads" @click="asking && emit('chose', asking, { decided: true })">{{
        t('run.watchedKeep')
      }}</n-button>
    </p>
    <button
      v-for="c in step.choices"
      :key="c.id"
      type="button"
      :class="c.outcome"
      :disabled="blocked || (asking !== null && c.outcome === 'watch')"
      @click="chose(c)"
    >
      <b>{{ c.name }}</b>
      <span>{{ t(`run.choice.${c.outcome}`) }}</span>
    </button>
  </div>
</template>

<style scoped>
.inspect {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  margin-top: 28px;
}
.last {
  grid-column: 1 / -1;
  padding: 10px 14px;
  border-left: 5px solid var(--close);
  background: var(--close-wash);
  color: var(--ink);
}
.decide {
  border-left-color: var(--out);
  background: var(--out-wash);
}
.inspect button {
  min-height: 118px;
  padding: 16px 22px;
  text-align: left;
  border: 1.5px solid var(--line);
  border-left: 8px solid var(--in);
  border-radius: var(--r);
  background: var(--raised);
  cursor: pointer;
}
.inspect button:disabled {
  opacity: 0.5;
  cursor: default;
}
b {
  display: block;
  font-size: 23px;
  line-height: 1.2;
}
.last b {
  font-size: inherit;
}
span {
  font-size: 17px;
  color: var(--ink-2);
}
.inspect .watch {
  border-left-color: var(--close);
}
.inspect .replace,
.inspect .technician {
  border-left-color: var(--out);
}
.confirm {
  flex: 1 0 auto;
  display: flex;
  flex-direction: column;
}
.means {
  margin-top: 20px;
  padding: 14px 18px;
  background: var(--out-wash);
  border-left: 6px solid var(--out);
  font-size: 24px;
  font-weight: 650;
}
.act {
  margin-top: auto;
  padding-top: 16px;
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
}
@media (max-width: 760px) {
  .inspect {
    grid-template-columns: 1fr;
  }
}
</style>
