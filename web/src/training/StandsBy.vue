<script setup lang="ts">
import { baseOf, type RunState } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import LeadPin from '../people/LeadPin.vue'
import DialogCard from '../pieces/DialogCard.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { ask } from '../wire/api.ts'
import { useAsking } from '../wire/asking.ts'
import { useStandings } from './standings.ts'

/** Who learns a run is not alone with it: somebody who is signed off says with their own PIN that they are by; or they look on. */
const props = defineProps<{ run: RunState }>()
const { t } = useI18n()
const session = useSession()
const site = useSite()
const names = useNames()
const standings = useStandings()
const { busy, wrong, tryTo } = useAsking()

const acting = computed(() => session.acting?.id ?? '')
const procedure = computed(() => props.run.procedure.id)
const mayOf = (person: string) => standings.standing(person, procedure.value)?.may ?? null
/** Whoever was never entered as crew is not asked: nothing is known of what they may do. */
const learns = computed(() => {
  const crew = site.one('crew', acting.value)
  return crew !== null && 'signedOff' in crew && mayOf(acting.value) !== 'alone'
})
const isBy = computed(() => props.run.watched?.findLast((w) => w.learner === acting.value)?.by ?? null)
/** Whoever may do it alone and is on shift now: nobody stays by from home. */
const able = computed(() =>
  session.everyone
    .map((p) => p.id)
    .filter((id) => id !== acting.value && mayOf(id) === 'alone' && standings.isOnShiftNow(id)),
)
const person = ref('')
const pin = ref('')
const asking = ref(false)
async function confirm(): Promise<void> {
  const sent = { person: person.value, pin: pin.value, run: props.run.id }
  const done = await tryTo(() => ask('POST', `/api/sites/${session.site}/training/watch`, sent))
  pin.value = ''
  if (done) asking.value = false
}

/** Who could look on: they learn it, and have not looked on at this run. */
const learners = computed(() => {
  if (learns.value || mayOf(acting.value) !== 'alone') return []
  const told = new Set(props.run.shown?.map((s) => s.learner))
  return session.everyone.filter(
    (p) => p.id !== acting.value && mayOf(p.id) === 'with-somebody' && !told.has(p.id),
  )
})
const choosing = ref(false)
function shown(learner: string): void {
  const { id, station } = props.run
  const payload = { run: id, station, procedure: baseOf(procedure.value), learner }
  site.record('run.shown@1', { kind: 'run', id }, payload)
  choosing.value = false
}
</script>

<template>
  <div v-if="learns || learners.length > 0 || run.shown" class="by" :class="{ asks: learns && !isBy }">
    <template v-if="learns">
      <p v-if="isBy">{{ t('training.by.isBy', { who: names.person(isBy) }) }}</p>
      <template v-else>
        <p>{{ t(able.length > 0 ? 'training.by.asks' : 'training.by.none') }}</p>
        <n-button v-if="able.length > 0" type="primary" size="large" @click="asking = true">{{
          t('training.by.act')
        }}</n-button>
      </template>
    </template>
    <p v-for="s in run.shown" :key="s.learner">
      {{ t('training.by.looksOnDone', { who: names.person(s.learner) }) }}
    </p>
    <n-button v-if="learners.length > 0" size="large" @click="choosing = true">{{
      t('training.by.looksOn')
    }}</n-button>
    <dialog-card v-model:show="asking" :title="t('training.by.title')" width="min(680px, 96vw)">
      <form class="ask" @submit.prevent="confirm">
        <p>{{ t('training.by.say') }}</p>
        <lead-pin
          v-model:person="person"
          v-model:pin="pin"
          needs="record"
          :among="able"
          :label="t('training.by.title')"
          :wrong="wrong"
        />
        <n-button
          type="primary"
          size="large"
          attr-type="submit"
          :loading="busy"
          :disabled="pin.length < 4 || person === ''"
          >{{ t('training.by.confirm') }}</n-button
        >
      </form>
    </dialog-card>
    <dialog-card v-model:show="choosing" :title="t('training.by.looksOnTitle')" width="min(460px, 96vw)">
      <div class="who">
        <n-button v-for="p in learners" :key="p.id" size="large" @click="shown(p.id)">{{ p.name }}</n-button>
      </div>
    </dialog-card>
  </div>
</template>

<style scoped>
.by {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: center;
  padding: 8px var(--gutter);
  border-bottom: 1px solid var(--line-soft);
}
.asks {
  background: var(--close-wash);
  border-left: 5px solid var(--close);
  font-weight: 600;
}
.ask,
.who {
  display: grid;
  gap: 12px;
}
</style>
