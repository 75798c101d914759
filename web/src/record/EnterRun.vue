<script setup lang="ts">
import { dateAt, instantAt } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import LeadPin from '../people/LeadPin.vue'
import { useSession } from '../rights/session.ts'
import { useProcedures } from '../site/procedures.ts'
import { ask } from '../wire/api.ts'
import { useAsking } from '../wire/asking.ts'
import { now } from '../wire/clock.ts'
import { useSite } from '../site/site.ts'
import DialogCard from '../pieces/DialogCard.vue'

/** A run that was done without the tablet, told afterwards by a shift lead: who, when, what was read. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const procedures = useProcedures()
const { busy, wrong, tryTo } = useAsking()

const show = ref(false)
const station = ref<string | null>(null)
const procedure = ref<string | null>(null)
const who = ref<string | null>(null)
const day = ref('')
const from = ref('')
const to = ref('')
const read = ref('')
const person = ref('')
const pin = ref('')
const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
const stations = computed(() =>
  site.all('station').flatMap((s) => (s.plate ? [{ value: s.id, label: s.plate.name }] : [])),
)
const ways = computed(() => {
  const family = station.value ? (site.one('station', station.value)?.plate?.family ?? '') : ''
  return procedures.of(family).map((p) => ({ value: p.id, label: p.name }))
})
watch(station, () => (procedure.value = ways.value[0]?.value ?? null))
const people = computed(() => session.everyone.map((p) => ({ value: p.id, label: p.name })))
const at = (text: string) =>
  set.value && /^([0-2]\d|3[0-5]):[0-5]\d$/.test(text) && /^\d{4}-\d{2}-\d{2}$/.test(day.value)
    ? instantAt(day.value, text, set.value.timeZone)
    : null
const times = computed(() => ({ from: at(from.value), to: at(to.value) }))
const fault = computed(() => {
  if (from.value === '' || to.value === '') return ''
  const { from: a, to: b } = times.value
  if (a === null || b === null) return t('log.enter.time')
  return a >= b || b > now() ? t('log.enter.order') : ''
})
const ready = computed(
  () =>
    station.value &&
    procedure.value &&
    who.value &&
    times.value.from !== null &&
    times.value.to !== null &&
    fault.value === '' &&
    pin.value.length >= 4,
)
function open(): void {
  if (set.value) day.value = dateAt(now(), set.value.timeZone)
  show.value = true
}
async function enter(): Promise<void> {
  const found = procedure.value ? procedures.latest(procedure.value) : null
  if (!ready.value || !found) return
  const sent = {
    ...{
      person: person.value,
      pin: pin.value,
      station: station.value,
      who: who.value,
      read: read.value.trim(),
    },
    ...times.value,
    procedure: { id: found.id, version: found.version },
  }
  const done = await tryTo(() => ask('POST', `/api/sites/${session.site}/enter`, sent))
  pin.value = ''
  if (!done) return
  show.value = false
  read.value = from.value = to.value = ''
}
</script>

<template>
  <n-button :disabled="!site.connected" @click="open">{{ t('log.enter.open') }}</n-button>
  <dialog-card v-model:show="show" :title="t('log.enter.title')" width="min(760px, 96vw)">
    <form class="enter" @submit.prevent="enter">
      <p>{{ t('log.enter.say') }}</p>
      <div class="row">
        <label
          >{{ t('log.enter.station') }}
          <n-select
            v-model:value="station"
            :options="stations"
            filterable
            :aria-label="t('log.enter.station')"
          />
        </label>
        <label
          >{{ t('log.enter.procedure') }}
          <n-select v-model:value="procedure" :options="ways" :aria-label="t('log.enter.procedure')" />
        </label>
        <label
          >{{ t('log.enter.who') }}
          <n-select v-model:value="who" :options="people" :aria-label="t('log.enter.who')" />
        </label>
      </div>
      <div class="row">
        <label for="enter-day"
          >{{ t('log.enter.day') }}
          <n-input v-model:value="day" placeholder="2026-11-26" :input-props="{ id: 'enter-day' }" />
        </label>
        <label for="enter-from"
          >{{ t('log.enter.from') }}
          <n-input v-model:value="from" placeholder="22:40" :input-props="{ id: 'enter-from' }" />
        </label>
        <label for="enter-to"
          >{{ t('log.enter.to') }}
          <n-input v-model:value="to" placeholder="23:30" :input-props="{ id: 'enter-to' }" />
        </label>
      </div>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <label for="enter-read"
        >{{ t('log.enter.read') }}
        <n-input
          v-model:value="read"
          :placeholder="t('log.enter.readLike')"
          :input-props="{ id: 'enter-read' }"
          maxlength="1000"
        />
      </label>
      <lead-pin v-model:person="person" v-model:pin="pin" needs="override" :wrong="wrong" />
      <n-button type="primary" size="large" attr-type="submit" :loading="busy" :disabled="!ready">{{
        t('log.enter.save')
      }}</n-button>
    </form>
  </dialog-card>
</template>

<style scoped>
.enter {
  display: grid;
  gap: 12px;
  --key: 46px;
}
.row {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 14px;
}
label {
  font-weight: 600;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
@media (max-width: 620px) {
  .row {
    grid-template-columns: 1fr;
  }
}
</style>
