<script setup lang="ts">
import { servesFamily } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import LeaveAsked from '../pieces/LeaveAsked.vue'
import { useLacking } from '../procedure/have-ready.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useStandings } from '../training/standings.ts'
import PracticeRun from './PracticeRun.vue'
import { stripsLacking } from './practising.ts'

/** Before a practice run: on which machine, and what is looked for; then the run, and what it came to. */
const props = defineProps<{ procedure: string }>()
const { t } = useI18n()
const site = useSite()
const router = useRouter()
const procedures = useProcedures()
const standings = useStandings()
const lacking = useLacking()

const found = computed(() => procedures.latest(props.procedure))
const stations = computed(() =>
  site
    .all('station')
    .filter((s) => s.plate !== null && found.value !== null && servesFamily(found.value, s.plate.family)),
)
const chosen = ref<string | null>(null)
const on = computed(() => stations.value.find((s) => s.id === chosen.value) ?? stations.value[0] ?? null)
const choices = computed(() => stations.value.map((s) => ({ text: s.plate?.name ?? s.id, value: s.id })))
const picked = computed<string | null>({
  get: () => on.value?.id ?? null,
  set: (id) => (chosen.value = id),
})
/** Uses of products and strips that it could not be drawn without. */
const missing = computed(() => {
  const [p, s] = [found.value, on.value]
  if (!p || !s) return []
  return [...new Set([...lacking(p, s.plate?.options ?? {}), ...stripsLacking(site, s, p)])]
})

/** The same seed has the same things go wrong. */
const drawn = () => Math.floor(Math.random() * 1e9)
const route = useRoute()
function asked(): number {
  const named = Number(route.query['seed'])
  return Number.isInteger(named) && named > 0 ? named : drawn()
}
const seed = ref(asked())
const turn = ref(0)
const begun = ref(false)
const isOver = ref(false)
watch([() => props.procedure, () => route.query['seed']], () => {
  seed.value = asked()
  begun.value = false
})
function begin(anew: boolean): void {
  if (anew) seed.value = drawn()
  turn.value += 1
  isOver.value = false
  begun.value = true
}
</script>

<template>
  <practice-run
    v-if="begun && on && found"
    :key="turn"
    :on="on"
    :procedure="found"
    :seed="seed"
    @over="isOver = true"
    @again="begin(false)"
    @other="begin(true)"
    @leave="router.push('/shift/training')"
  />
  <div v-else>
    <place-bar :title="t('practice.title', { procedure: standings.called(procedure) })">
      <router-link to="/shift/training" class="link">‹ {{ t('run.toTraining') }}</router-link>
    </place-bar>
    <div class="body">
      <p v-if="!site.loaded" role="status">{{ t('common.loading') }}</p>
      <p v-else-if="!found || !on" role="alert">{{ t('practice.noMachine') }}</p>
      <template v-else>
        <p class="said">{{ t('practice.how') }}</p>
        <p>{{ t('practice.howWrong') }}</p>
        <p>{{ t('practice.howTime') }}</p>
        <choice-pick
          v-if="stations.length > 1"
          v-model="picked"
          named
          :label="t('practice.on')"
          :choices="choices"
        />
        <p v-if="missing.length > 0" class="missing" role="alert">
          {{ t('practice.lacking', { what: missing.map((use) => t(`uses.${use}`)).join(', ') }) }}
        </p>
        <n-button v-else type="primary" class="start" size="large" @click="begin(false)">{{
          t('practice.start')
        }}</n-button>
      </template>
    </div>
  </div>
  <leave-asked
    :asks="begun && !isOver"
    :title="t('practice.leaveSure')"
    :leave="t('practice.leave')"
    :stay="t('check.goOn')"
  />
</template>

<style scoped>
.body {
  padding: 8px var(--gutter) 32px;
  max-width: 860px;
  display: grid;
  gap: 16px;
  justify-items: start;
  font-size: 19px;
}
.said {
  font-size: 24px;
  font-weight: 650;
  line-height: 1.25;
}
.start {
  min-height: 72px;
  min-width: 240px;
  font-size: 22px;
}
.missing {
  font-weight: 600;
}
</style>
