<script setup lang="ts">
import { dateAfter, dayOf } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import { NButton, NProgress } from 'naive-ui'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import DayField from '../pieces/DayField.vue'
import ManyPick from '../pieces/ManyPick.vue'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { askLines } from '../wire/api.ts'
import { nowByMinute } from '../wire/clock.ts'
import HandOver from './HandOver.vue'
import LogTabs from './LogTabs.vue'

/** The inspector's pack: which days, which stations, then one press; the document, its tables and its data. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const { clock } = useTimes()
const refusalText = useRefusalText()

interface Progress {
  readonly done: number
  readonly of: number
}
interface Ready {
  readonly id: string
  readonly endsAt: number
  readonly files: readonly { readonly kind: 'pdf' | 'zip' | 'json'; readonly bytes: number }[]
}
const spans = [7, 30, 90] as const
const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
const today = computed(() => (set.value ? dayOf(set.value, nowByMinute()) : ''))
const days = ref<number | null>(30)
const from = ref('')
const to = ref('')
watch(
  [days, today],
  () => {
    if (days.value === null || !today.value) return
    to.value = today.value
    from.value = dateAfter(today.value, 1 - days.value)
  },
  { immediate: true },
)
const typed = (of: typeof from) =>
  computed({
    get: () => of.value,
    set: (day) => {
      of.value = day
      days.value = null
    },
  })
const [typedFrom, typedTo] = [typed(from), typed(to)]
const isOrdered = computed(() => from.value !== '' && to.value !== '' && from.value <= to.value)

const chosen = ref<readonly string[]>([])
const stations = computed(() =>
  site
    .all('station')
    .flatMap((s) => (s.plate ? [{ id: s.id, name: s.plate.name }] : []))
    .toSorted((a, b) => a.name.localeCompare(b.name)),
)
const paper = ref<'A4' | 'LETTER' | null>(null)
const onPaper = computed({
  get: () => paper.value ?? (set.value?.country === 'US' ? 'LETTER' : 'A4'),
  set: (p) => (paper.value = p),
})
const people = ref<'names' | 'initials' | null>('names')

const under = ref<AbortController | null>(null)
const progress = ref<Progress | null>(null)
const ready = ref<Ready | null>(null)
const wrong = ref('')
onScopeDispose(() => under.value?.abort())
// What is chosen anew is not what was made.
watch([from, to, chosen, onPaper, people], () => (ready.value = null), { deep: true })

async function make(): Promise<void> {
  const stopping = new AbortController()
  under.value = stopping
  ready.value = null
  wrong.value = ''
  const asked = {
    ...{ from: from.value, to: to.value, stations: chosen.value },
    ...{ paper: onPaper.value, people: people.value ?? 'names' },
  }
  try {
    const heard = (line: Progress | Ready) => {
      if ('id' in line) ready.value = line
      else progress.value = line
    }
    await askLines(`/api/sites/${session.site}/packs`, heard, stopping.signal, asked)
    if (!ready.value) wrong.value = t('common.offline')
  } catch (error) {
    if (!stopping.signal.aborted) wrong.value = refusalText(error)
  } finally {
    under.value = null
    progress.value = null
  }
}
const share = ({ done, of }: Progress) => Math.floor((100 * done) / Math.max(1, of))
const size = (bytes: number) =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`
const kept = computed(() => (ready.value ? clock(ready.value.endsAt) : ''))
</script>

<template>
  <div class="pack">
    <place-bar :title="t('place.log')"><log-tabs /></place-bar>
    <div class="body">
      <p class="quiet">{{ t('pack.how') }}</p>
      <div class="dates">
        <choice-pick
          v-model="days"
          :label="t('sheet.day')"
          :choices="spans.map((n) => ({ value: n, text: t(`pack.ask.span.${n}`) }))"
        />
        <day-field v-model="typedFrom" named :label="t('pack.ask.from')" :max="today" />
        <day-field v-model="typedTo" named :label="t('pack.ask.to')" :max="today" />
        <p v-if="!isOrdered" class="fault" role="alert">{{ t('pack.ask.order') }}</p>
      </div>
      <many-pick
        v-model="chosen"
        :label="t('pack.ask.chooseStations')"
        :choices="stations.map(({ id, name }) => ({ value: id, text: name }))"
      />
      <div class="pair">
        <choice-pick
          v-model="onPaper"
          :label="t('pack.ask.paper')"
          named
          :choices="(['A4', 'LETTER'] as const).map((p) => ({ value: p, text: t(`pack.ask.${p}`) }))"
        />
        <choice-pick
          v-model="people"
          :label="t('pack.ask.people')"
          named
          :choices="(['names', 'initials'] as const).map((p) => ({ value: p, text: t(`pack.names.${p}`) }))"
        />
      </div>
      <div class="make">
        <n-button
          v-if="!ready"
          type="primary"
          class="go"
          :disabled="!isOrdered"
          :loading="!!under"
          @click="make"
          >{{ t('pack.ask.make') }}</n-button
        >
        <template v-if="progress">
          <n-progress :percentage="share(progress)" :show-indicator="false" class="progress" />
          <span role="status">{{ t('pack.ask.making', { ...progress }) }}</span>
        </template>
        <p v-if="wrong" class="fault" role="alert">{{ wrong }}</p>
        <template v-if="ready">
          <a
            v-for="f in ready.files"
            :key="f.kind"
            :href="`/api/sites/${session.site}/packs/${ready.id}/${f.kind}`"
            :target="f.kind === 'pdf' ? '_blank' : undefined"
            :class="['file', f.kind]"
            :download="f.kind === 'pdf' ? undefined : ''"
          >
            {{ t(`pack.ask.${f.kind}`) }} <span class="small">{{ size(f.bytes) }}</span>
          </a>
          <p v-if="people === 'initials'" class="small quiet">{{ t('pack.ask.noData') }}</p>
          <p class="small quiet until" role="status">{{ t('pack.ask.until', { time: kept }) }}</p>
        </template>
      </div>
      <hand-over v-if="session.mayDo('invite-inspector') && isOrdered" :from="from" :today="today" />
    </div>
  </div>
</template>

<style scoped>
.body {
  padding: 4px var(--gutter) 40px;
  max-width: 1100px;
  display: grid;
  gap: 20px;
}
.dates,
.pair,
.make {
  display: flex;
  gap: 14px 28px;
  flex-wrap: wrap;
  align-items: center;
}
.go {
  min-height: 64px;
  min-width: 220px;
  font-size: 20px;
}
.progress {
  width: 260px;
}
.file {
  min-height: 64px;
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 0 20px;
  border: 1px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  color: var(--ink);
  font-weight: 600;
  text-decoration: none;
}
.file.pdf {
  border: 3px solid var(--sea);
  font-size: 20px;
}
.until {
  flex-basis: 100%;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
