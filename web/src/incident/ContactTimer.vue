<script setup lang="ts">
import type { IncidentItem, IncidentState } from '@tadka/core/incident'
import { spokenLength } from '@tadka/words/length'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import TimerFigure from '../pieces/TimerFigure.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { now } from '../wire/clock.ts'
import { useIncidents } from './incidents.ts'

/** What is disinfected is kept wet for as long as the product's label asks. */
const props = defineProps<{
  incident: IncidentState
  item: IncidentItem & { is: 'timer' }
}>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const names = useNames()
const { did, record } = useIncidents()

const products = computed(() =>
  site
    .all('product')
    .filter((p) => 'uses' in p && p.uses.some((u) => u.id === 'body-fluids' && u.contactSeconds !== null))
    .map((p) => ({ value: p.id, text: names.product(p.id) })),
)
const product = computed({
  get: () => props.incident.product,
  set: (id) => id && record(props.incident.id, 'incident.product@1', { product: id }),
})
const last = computed(() => props.incident.done[props.item.task] ?? null)
/** It runs: begun, and not ended since. */
const runs = computed(
  () => props.item.from !== null && (last.value === null || last.value.at < props.item.from),
)
const ends = computed(() => (props.item.from ?? 0) + (props.item.leastMs ?? 0))
const isOver = computed(() => now() >= ends.value)
const had = computed(() => Math.max(0, (last.value?.at ?? 0) - (props.item.from ?? 0)))
const begin = () => did(props.incident, { task: `${props.item.task}-begun` })
const end = () => did(props.incident, { task: props.item.task })
</script>

<template>
  <div class="contact">
    <p v-if="products.length === 0">
      {{ t('incident.timer.noProduct') }}
      <router-link v-if="session.mayDo('set-up-house')" to="/house/products?for=body-fluids">{{
        t('incident.timer.enter')
      }}</router-link>
    </p>
    <choice-pick v-else v-model="product" :label="t('incident.timer.product')" named :choices="products" />
    <template v-if="item.leastMs !== null">
      <p>{{ t('incident.timer.asks', { least: spokenLength(item.leastMs) }) }}</p>
      <template v-if="runs">
        <timer-figure class="figure" :started-at="item.from ?? 0" :ends-at="ends" :now="now()" />
        <n-button size="large" type="primary" :disabled="!isOver" @click="end">{{
          t('incident.timer.ended')
        }}</n-button>
      </template>
      <template v-else>
        <p v-if="item.short" class="short" role="alert">
          {{ t('incident.timer.short', { had: spokenLength(had), least: spokenLength(item.leastMs) }) }}
        </p>
        <n-button size="large" type="primary" @click="begin">{{ t('incident.timer.begin') }}</n-button>
      </template>
    </template>
  </div>
</template>

<style scoped>
.contact {
  display: grid;
  gap: 10px;
  justify-items: start;
  margin-top: 8px;
}
.short {
  color: var(--out);
  font-weight: 600;
}
.figure :deep(.left) {
  font-size: 64px;
}
.figure :deep(svg) {
  width: 320px;
}
</style>
