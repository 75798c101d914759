<script setup lang="ts">
import {
  stepsOf,
  type Procedure,
  type RunState,
  type SafeAct,
  type StationState,
} from '@tadka/core/procedure'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import WhomToCall from '../site/WhomToCall.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import MakeSafe from './MakeSafe.vue'
import { useRunActs } from './run-acts.ts'

/** A run that was stopped: why, whom to call, what of the product, the search, and what still makes the machine safe. */
const props = defineProps<{
  run: RunState
  procedure: Procedure
  station: StationState
  safe: readonly SafeAct[]
}>()
const { t } = useI18n()
const names = useNames()
const acts = useRunActs()
const { isPractice = false } = useSite()
const { day, clock } = useTimes()

const stop = computed(() => props.run.stop)
const missing = computed(() => stop.value?.why === 'part-missing')
const part = computed(
  () =>
    stepsOf(props.procedure.nodes)
      .flatMap((s) => (s.kind === 'parts' ? s.parts : []))
      .find((p) => p.id === stop.value?.what)?.name ?? stop.value?.what,
)
const choice = computed(
  () =>
    stepsOf(props.procedure.nodes)
      .flatMap((s) => (s.kind === 'inspect' ? s.choices : []))
      .find((c) => c.id === stop.value?.what)?.name ?? '',
)
/** What is done about it is told on a page of its own, begun with what was found. */
const acted = computed(() => ({
  path: '/log/case/new',
  query: {
    origin: missing.value ? 'stop' : 'inspection',
    station: props.run.station,
    run: props.run.id,
    said: missing.value ? t('run.stopped.missing', { part: part.value ?? '' }) : choice.value,
  },
}))
const since = computed(() => props.station.countedAt)
const where = ref('')
const discarded = ref('')
</script>

<template>
  <div class="stopped">
    <section>
      <h1>{{ missing ? t('run.stopped.missing', { part }) : t('run.stopped.technician') }}</h1>
      <p class="why">
        {{
          t('run.stopped.out', {
            station: names.station(run.station),
            why: missing ? part : choice,
            who: names.person(stop?.by ?? ''),
            time: clock(stop?.at ?? 0),
          })
        }}
      </p>
      <p class="never">{{ t('run.stopped.never') }}</p>
      <template v-if="missing">
        <h2>{{ t('run.stopped.product') }}</h2>
        <p>
          {{
            since === null
              ? t('run.stopped.productEver')
              : t('run.stopped.productSince', { when: `${day(since)} ${clock(since)}` })
          }}
        </p>
        <p v-if="stop?.lost" class="why">{{ t('run.stopped.gaveUp', { what: stop.lost }) }}</p>
        <div v-else class="search">
          <form @submit.prevent="where.trim().length > 1 && acts.found(run, where.trim())">
            <label for="found">{{ t('run.stopped.foundWhere') }}</label>
            <n-input
              v-model:value="where"
              :placeholder="t('run.stopped.foundLike')"
              maxlength="300"
              :input-props="{ id: 'found' }"
            />
            <n-button type="primary" class="alt" attr-type="submit" :disabled="where.trim().length < 2">{{
              t('run.stopped.found')
            }}</n-button>
          </form>
          <form @submit.prevent="discarded.trim().length > 1 && acts.lost(run, discarded.trim())">
            <label for="lost">{{ t('run.stopped.lostWhat') }}</label>
            <n-input
              v-model:value="discarded"
              :placeholder="t('run.stopped.lostLike')"
              maxlength="500"
              :input-props="{ id: 'lost' }"
            />
            <n-button class="alt" attr-type="submit" :disabled="discarded.trim().length < 2">{{
              t('run.stopped.lost')
            }}</n-button>
          </form>
        </div>
      </template>
    </section>
    <aside>
      <h2>{{ t('run.stopped.safe') }}</h2>
      <p v-if="safe.length === 0">{{ t('run.stopped.isSafe') }}</p>
      <make-safe :station="station.id" :safe="safe" />
      <whom-to-call />
      <router-link v-if="!isPractice" :to="acted" class="acted">{{ t('case.open') }}</router-link>
      <p>{{ t('run.stopped.back') }}</p>
      <n-button
        v-if="!isPractice"
        block
        size="large"
        tag="a"
        href="/shift"
        @click.prevent="$router.push('/shift')"
        >{{ t('run.toShift') }}</n-button
      >
    </aside>
  </div>
</template>

<style scoped>
.stopped {
  flex: 1;
  min-height: 0;
  overflow: auto;
  display: grid;
  grid-template-columns: 1fr 340px;
}
section {
  padding: 22px var(--gutter);
  border-top: 6px solid var(--out);
  display: grid;
  align-content: start;
  gap: 12px;
  font-size: 19px;
}
h1 {
  font-size: 38px;
}
.why {
  font-weight: 600;
}
.never {
  padding: 12px 16px;
  background: var(--out-wash);
  border-left: 5px solid var(--out);
  font-weight: 600;
}
aside {
  border-left: 1px solid var(--line);
  border-top: 6px solid var(--out);
  padding: 22px var(--gutter);
  display: grid;
  align-content: start;
  gap: 12px;
}
.search {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 20px;
}
form {
  display: grid;
  gap: 8px;
  align-content: start;
}
label {
  font-weight: 600;
}
.acted {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
@media (max-width: 760px) {
  .stopped,
  .search {
    display: block;
  }
  form {
    margin-top: 14px;
  }
}
</style>
