<script setup lang="ts">
import { notYet, readyBack, stationsOut, type IncidentItem, type IncidentState } from '@tadka/core/incident'
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import DialogCard from '../pieces/DialogCard.vue'
import LeadPin from '../people/LeadPin.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { ask } from '../wire/api.ts'
import { useAsking } from '../wire/asking.ts'
import { useIncidents } from './incidents.ts'

/** What may come back now, and what each of the rest waits for; a lead's signature brings it back. */
const props = defineProps<{ incident: IncidentState; items: readonly IncidentItem[] }>()
const { t } = useI18n()
const session = useSession()
const site = useSite()
const names = useNames()
const { plan } = useIncidents()
const { busy, wrong, tryTo } = useAsking()

const out = computed(() => stationsOut(props.incident))
const ready = computed(() => readyBack(props.incident, props.items, plan.value))
const whole = computed(() => notYet(props.incident, props.items, null, plan.value).length)
const waiting = computed(() =>
  out.value.flatMap((id) => {
    const left = notYet(props.incident, props.items, id, plan.value).length - whole.value
    return left > 0 ? [{ id, left }] : []
  }),
)
const isEnd = computed(() => out.value.length === 0 && whole.value === 0)
const show = ref(false)
const [person, pin] = [ref(''), ref('')]
watch(show, () => (pin.value = ''))
async function sign(): Promise<void> {
  const path = `/api/sites/${session.site}/incidents/${props.incident.id}/reopen`
  const sent = { person: person.value, pin: pin.value, stations: ready.value }
  if (await tryTo(() => ask('POST', path, sent))) show.value = false
  pin.value = ''
}
</script>

<template>
  <section class="reopen">
    <h2 class="label">
      {{ t(incident.stations.length > 0 ? 'incident.reopen.title' : 'incident.reopen.toEnd') }}
    </h2>
    <p v-if="whole > 0">{{ t('incident.reopen.left', whole) }}</p>
    <p v-else-if="isEnd">{{ t('incident.reopen.all') }}</p>
    <p v-else>
      {{ t('incident.reopen.ready', { names: ready.map(names.station).join(', ') }, ready.length) }}
    </p>
    <details v-if="waiting.length > 0">
      <summary>{{ t('incident.reopen.each') }}</summary>
      <ul>
        <li v-for="w in waiting" :key="w.id" class="small">
          {{ t('incident.reopen.still', { station: names.station(w.id) }, w.left) }}
        </li>
      </ul>
    </details>
    <template v-if="ready.length > 0 || isEnd">
      <n-button v-if="site.connected" type="primary" class="big" @click="show = true">{{
        t(isEnd ? 'incident.reopen.end' : 'incident.reopen.act')
      }}</n-button>
      <p v-else class="quiet">{{ t('incident.reopen.offline') }}</p>
    </template>
    <dialog-card v-model:show="show" :title="t('incident.reopen.title')" width="min(620px, 94vw)">
      <p>{{ t('incident.reopen.means') }}</p>
      <p v-if="ready.length > 0">
        <b>{{ ready.map(names.station).join(', ') }}</b>
      </p>
      <form @submit.prevent="sign">
        <lead-pin v-model:person="person" v-model:pin="pin" needs="close-case" :wrong="wrong" @enter="sign" />
        <n-button
          block
          type="primary"
          size="large"
          attr-type="submit"
          :loading="busy"
          :disabled="pin.length < 4"
          >{{ t(isEnd ? 'incident.reopen.end' : 'incident.reopen.act') }}</n-button
        >
      </form>
    </dialog-card>
  </section>
</template>

<style scoped>
.reopen {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.big {
  min-height: 64px;
  font-size: 20px;
}
summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  cursor: pointer;
  font-weight: 600;
}
</style>
