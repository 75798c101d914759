<script setup lang="ts">
import { incidentKinds, incidentRules, type IncidentKind } from '@tadka/core/incident'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import HoldButton from '../pieces/HoldButton.vue'
import { useAreas } from '../site/areas.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { useIncidents } from './incidents.ts'

/** Something is wrong: pick what, then hold. What it touches is out of service from then on. */
const { t } = useI18n()
const router = useRouter()
const site = useSite()
const names = useNames()
const { areas } = useAreas()
const { clock } = useTimes()
const { call, open, touched } = useIncidents()

const kind = ref<IncidentKind | null>(null)
const station = ref<string | null>(null)
const place = ref<string | null>(null)
const touches = computed(() => (kind.value ? incidentRules[kind.value].touches : 'none'))
const asksMachine = computed(() => touches.value === 'one')
const asksArea = computed(() => touches.value === 'area')
const where = computed(() => ({
  station: asksMachine.value ? station.value : null,
  place: asksArea.value ? (place.value ?? '') : '',
}))
const machines = computed(() =>
  site
    .all('station')
    .filter((s) => s.plate && !s.plate.retired && s.plate.family !== 'house')
    .map((s) => ({ value: s.id, text: names.station(s.id), note: s.plate?.tag }))
    .toSorted((a, b) => a.text.localeCompare(b.text)),
)
const takes = computed(() => (kind.value ? touched(kind.value, where.value).length : 0))
const lacks = computed(() => {
  if (asksMachine.value && station.value === null) return t('incident.pickMachine')
  return asksArea.value && place.value === null ? t('incident.pickArea') : ''
})
const same = computed(() => open.value.find((i) => i.kind === kind.value) ?? null)
function held(): void {
  if (!kind.value || lacks.value) return
  void router.replace(`/shift/wrong/${call(kind.value, where.value)}`)
}
</script>

<template>
  <div>
    <place-bar :title="t('incident.title')">
      <n-button quaternary @click="router.back()">‹ {{ t('common.back') }}</n-button>
    </place-bar>
    <div class="body">
      <div class="kinds" role="radiogroup" :aria-label="t('incident.which')">
        <button
          v-for="k in incidentKinds"
          :key="k"
          type="button"
          role="radio"
          :aria-checked="kind === k"
          @click="kind = k"
        >
          {{ t(`trouble.kind.${k}`) }}
        </button>
      </div>
      <section v-if="kind" class="sure" aria-live="polite">
        <router-link v-if="same" :to="`/shift/wrong/${same.id}`" class="same">{{
          t('incident.already', { kind: t(`trouble.kind.${kind}`), time: clock(same.at) })
        }}</router-link>
        <choice-pick
          v-if="asksMachine"
          v-model="station"
          :label="t('incident.machine')"
          named
          :choices="machines"
        />
        <choice-pick
          v-if="asksArea"
          v-model="place"
          :label="t('incident.area')"
          named
          :choices="areas.map((a) => ({ value: a, text: a }))"
        />
        <p class="takes">{{ t('incident.takes', takes) }}</p>
        <hold-button :disabled="lacks !== ''" class="hold" @held="held">{{
          t('incident.hold', { kind: t(`trouble.kind.${kind}`) })
        }}</hold-button>
        <p class="quiet">{{ lacks || t('incident.holdHow') }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.body {
  padding: 4px var(--gutter) 32px;
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 28px;
  align-items: start;
}
.kinds {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
}
.kinds button {
  min-height: 104px;
  padding: 12px 14px;
  border: 2px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  color: var(--ink);
  font-size: 21px;
  line-height: 1.2;
  font-weight: 650;
  text-align: left;
  cursor: pointer;
}
.kinds button[aria-checked='true'] {
  border: 4px solid var(--out);
  padding: 10px 12px;
}
.sure {
  display: grid;
  gap: 14px;
  position: sticky;
  top: 0;
}
.takes {
  font-size: 19px;
  font-weight: 600;
}
.hold {
  width: 100%;
  padding: 16px 20px;
}
.same {
  min-height: 48px;
  display: flex;
  align-items: center;
  font-weight: 600;
}
@media (max-width: 760px) {
  .body {
    grid-template-columns: 1fr;
  }
  .kinds {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .kinds button {
    min-height: 76px;
    font-size: 18px;
  }
  .sure {
    position: sticky;
    bottom: 0;
    top: auto;
    background: var(--paper);
    padding: 12px 0;
  }
}
</style>
