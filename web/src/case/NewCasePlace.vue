<script setup lang="ts">
import { caseOrigins, type CaseOrigin } from '@tadka/core/case'
import { dayOf } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { now } from '../wire/clock.ts'
import { newId } from '../wire/device.ts'
import { justOpened } from './opened.ts'

/** A corrective action that a person opens: about a cleaning that was late, a stop, a fault, or whatever was not as it should be. */
const { t } = useI18n()
const site = useSite()
const names = useNames()
const route = useRoute()
const router = useRouter()

/** What whoever sent one here knows already stands in the address. */
const asked = (name: string) => {
  const found = route.query[name]
  return typeof found === 'string' ? found : ''
}
const origin = ref<CaseOrigin>(caseOrigins.find((o) => o === asked('origin')) ?? 'by-hand')
const station = ref(site.one('station', asked('station'))?.plate ? asked('station') : '')
const said = ref(asked('said').slice(0, 500))
const tried = ref(false)
const isSaid = computed(() => said.value.trim().length >= 3)
const stations = computed(() => [
  { value: '', label: t('case.nowhere') },
  ...site
    .all('station')
    .filter((s) => s.plate)
    .map((s) => ({ value: s.id, label: names.station(s.id) }))
    .toSorted((a, b) => a.label.localeCompare(b.label)),
])
const origins = computed(() => caseOrigins.map((value) => ({ value, label: t(`case.origins.${value}`) })))

function open(): void {
  tried.value = true
  if (!isSaid.value) return
  const id = newId()
  const opened = {
    ...{ case: id, station: station.value || null, run: asked('run') || null },
    ...{ origin: origin.value, said: said.value.trim() },
  }
  justOpened.value = site.record('case.opened@1', { kind: 'case', id }, opened)
  const day = site.set && 'hours' in site.set ? dayOf(site.set as SiteSet, now()) : ''
  void router.replace(`/log/case/${id}?day=${day}`)
}
</script>

<template>
  <div class="new-case">
    <place-bar :title="t('case.open')" :under="t('case.openHow')" />
    <form @submit.prevent="open">
      <label>
        <span>{{ t('case.origin') }}</span>
        <n-select v-model:value="origin" :options="origins" :aria-label="t('case.origin')" />
      </label>
      <label>
        <span>{{ t('case.where') }}</span>
        <n-select
          v-model:value="station"
          :options="stations"
          :virtual-scroll="false"
          :aria-label="t('case.where')"
        />
      </label>
      <label>
        <span>{{ t('case.what') }}</span>
        <n-input
          v-model:value="said"
          type="textarea"
          maxlength="500"
          :autosize="{ minRows: 3, maxRows: 6 }"
          :placeholder="t('case.whatLike')"
          :input-props="{ 'aria-label': t('case.what'), 'aria-invalid': tried && !isSaid }"
        />
      </label>
      <p v-if="tried && !isSaid" class="wrong" role="alert">{{ t('case.whatShort') }}</p>
      <n-button type="primary" attr-type="submit" class="go">{{ t('case.open') }}</n-button>
    </form>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 16px;
  padding: 8px var(--gutter) 40px;
  max-width: 760px;
}
label {
  display: grid;
  gap: 6px;
  font-weight: 600;
}
form :deep(.n-base-selection) {
  min-height: 52px;
}
.go {
  min-height: 60px;
  justify-self: start;
}
.wrong {
  color: var(--out);
  font-weight: 600;
}
</style>
