<script setup lang="ts">
import { incidentParts, incidentRules, stationsOut } from '@tadka/core/incident'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import ReasonForm from '../pieces/ReasonForm.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { nowByMinute } from '../wire/clock.ts'
import EverybodyOut from './EverybodyOut.vue'
import { useIncidentWords } from './incident-words.ts'
import IncidentOver from './IncidentOver.vue'
import IncidentRow from './IncidentRow.vue'
import { useIncidents } from './incidents.ts'
import OtherFood from './OtherFood.vue'
import ReopenForm from './ReopenForm.vue'
import RinseTimer from './RinseTimer.vue'

/** What is done about one thing that went wrong: people first; then what stops, who is called, what goes, what is cleaned. */
const props = defineProps<{ incident: string }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const names = useNames()
const { clock, day } = useTimes()
const { kindOf } = useIncidentWords()
const { itemsOf, record } = useIncidents()

const it = computed(() => site.one('incident', props.incident))
const rule = computed(() => it.value && incidentRules[it.value.kind])
const items = computed(() => (it.value ? itemsOf(it.value, nowByMinute()) : []))
const isOpen = computed(() => it.value?.status === 'open')
const isOutside = computed(() => isOpen.value && rule.value?.evacuates === true && !it.value?.counted)
const out = computed(() => (it.value ? stationsOut(it.value) : []))
const rinse = computed(() => items.value.find((i) => i.is === 'timer' && i.task === 'rinse'))
const parts = computed(() =>
  incidentParts.flatMap((part) => {
    const of = items.value.filter((i) => i.part === part)
    return of.length > 0 ? [{ part, items: of }] : []
  }),
)
const under = computed(() => {
  if (!it.value) return ''
  const where = [it.value.station ? names.station(it.value.station) : '', it.value.place].filter(Boolean)
  return [`${day(it.value.at)} ${clock(it.value.at)}`, names.person(it.value.by), ...where].join(' · ')
})
/** Once it was over it has happened, and is no false alarm any more. */
const mayBeFalse = computed(
  () => isOpen.value && session.mayDo('close-case') && !(rule.value?.lasts && it.value?.over),
)
const falseAlarm = (reason: string) =>
  it.value && record(it.value.id, 'incident.false-alarm@1', { stations: it.value.stations, reason })
</script>

<template>
  <div>
    <place-bar :title="it && it.status !== 'void' ? kindOf(it.kind) : t('incident.title')" :under="under">
      <router-link to="/shift" class="link">‹ {{ t('place.shift') }}</router-link>
    </place-bar>
    <p v-if="!it || it.status === 'void'" class="none" role="status">{{ t('incident.unknown') }}</p>
    <template v-else>
      <everybody-out v-if="isOutside" :incident="it" />
      <div v-else class="body">
        <div>
          <p v-if="it.ended" class="ended" role="status">
            {{
              t(`incident.ended.${it.status}`, {
                time: `${day(it.ended.at)} ${clock(it.ended.at)}`,
                who: names.person(it.ended.by),
                reason: it.ended.reason,
              })
            }}
          </p>
          <p v-if="it.counted" class="quiet">
            {{
              t('incident.counted', {
                time: clock(it.counted.at),
                who: names.person(it.counted.by),
                n: it.counted.out.length,
              })
            }}
          </p>
          <rinse-timer v-if="isOpen && rinse?.is === 'timer' && !rinse.isDone" :incident="it" :item="rinse" />
          <section v-for="p in parts" :key="p.part">
            <h2 class="label">{{ t(`incident.part.${p.part}`) }}</h2>
            <ul>
              <incident-row v-for="i in p.items" :key="i.key" :incident="it" :item="i" />
            </ul>
            <other-food v-if="p.part === 'discard' && rule?.cold && isOpen" :incident="it" />
          </section>
          <p class="quiet small">{{ t('incident.caution') }}</p>
        </div>
        <aside>
          <p v-if="it.stations.length > 0" class="takes">{{ t('trouble.out', out.length) }}</p>
          <p v-if="out.length > 0" class="small">{{ out.map(names.station).join(', ') }}</p>
          <incident-over :incident="it" />
          <reopen-form v-if="isOpen" :incident="it" :items="items" />
        </aside>
      </div>
      <section v-if="mayBeFalse" class="false">
        <h2 class="label">{{ t('incident.falseAlarm.title') }}</h2>
        <p class="quiet small">{{ t('incident.falseAlarm.means') }}</p>
        <reason-form
          :label="t('incident.falseAlarm.title')"
          :like="t('incident.falseAlarm.like')"
          :act="t('incident.falseAlarm.act')"
          @said="falseAlarm"
        />
      </section>
    </template>
  </div>
</template>

<style scoped>
.body {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr);
  gap: 36px;
  padding: 4px var(--gutter) 20px;
}
aside {
  display: grid;
  gap: 18px;
  align-content: start;
}
.takes {
  font-size: 21px;
  font-weight: 650;
}
.ended {
  border-left: 6px solid var(--in);
  padding: 8px 14px;
  font-weight: 600;
  font-size: 19px;
}
section + section {
  margin-top: 16px;
}
.false {
  padding: 0 var(--gutter) 32px;
  max-width: 560px;
}
.none {
  padding: 24px var(--gutter);
}
@media (max-width: 900px) {
  .body {
    grid-template-columns: 1fr;
  }
}
</style>
