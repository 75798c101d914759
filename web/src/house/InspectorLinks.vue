<script setup lang="ts">
import { inspectionDays, inspectionHours, type InspectionView } from '@tadka/contract/people'
import { NButton } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import LinkMade from '../site/LinkMade.vue'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import { ask } from '../wire/api.ts'
import { now } from '../wire/clock.ts'
import TextField from '../pieces/TextField.vue'

/** Links by which an inspector reads the log on a device of their own: made, shown once, and ended. */
const { t } = useI18n()
const session = useSession()
const names = useNames()
const { clock, date, day } = useTimes()
const refusalText = useRefusalText()

const links = ref<readonly InspectionView[]>([])
const making = ref(false)
const name = ref('')
const days = ref<number | null>(30)
const hours = ref<number | null>(2)
const made = ref<{ path: string; endsAt: number } | null>(null)
const refused = ref('')
const path = computed(() => `/api/sites/${session.site}/inspections`)
const when = (ms: number) => `${day(ms)} ${clock(ms)}`

const looked = ({ looked: all }: InspectionView) =>
  all.length === 0
    ? ''
    : t('inspect.looked', {
        what: all.map((what) => (what === 'entries' ? t('inspect.entries') : date(what))).join(', '),
      })

/** Asks the server; what it refuses is told, and nothing typed is lost. */
async function act(what: () => Promise<unknown>): Promise<void> {
  refused.value = ''
  try {
    await what()
    links.value = (await ask<{ links: InspectionView[] }>('GET', path.value)).links
  } catch (error) {
    refused.value = refusalText(error)
  }
}
onMounted(() => act(() => Promise.resolve()))

const make = () =>
  act(async () => {
    made.value = await ask('POST', path.value, {
      name: name.value.trim(),
      days: days.value,
      hours: hours.value,
    })
    making.value = false
    name.value = ''
  })
const end = (id: string) =>
  act(async () => {
    await ask('POST', `${path.value}/${id}/end`)
    made.value = null
  })
</script>

<template>
  <section class="links">
    <h2>{{ t('inspect.title') }}</h2>
    <p class="quiet">{{ t('inspect.how') }}</p>
    <ul v-if="links.length > 0">
      <li v-for="l in links" :key="l.id">
        <b>{{ l.name }}</b>
        <span>
          {{ t('inspect.shows', { from: day(l.from) }) }}
          {{ l.station ? t('inspect.only', { machine: names.station(l.station) }) : '' }}
          {{ t(l.endsAt > now() ? 'inspect.ends' : 'inspect.ended', { time: when(l.endsAt) }) }}
          <span class="quiet">
            {{ t('inspect.by', { who: names.person(l.by) }) }}
            {{ l.usedAt === null ? t('inspect.unused') : t('inspect.used', { time: when(l.usedAt) }) }}
            {{ looked(l) }}
          </span>
        </span>
        <n-button v-if="l.endsAt > now()" @click="end(l.id)">{{ t('inspect.end') }}</n-button>
      </li>
    </ul>
    <link-made v-if="made" :made="made" :title="t('inspect.made')" @done="made = null" />
    <p v-if="refused" class="fault" role="alert">{{ refused }}</p>
    <form v-if="making" class="new" @submit.prevent="make">
      <text-field v-model="name" :name="t('inspect.name')" :example="t('inspect.example')" :most="40" large />
      <choice-pick
        v-model="days"
        :label="t('inspect.days')"
        named
        :choices="inspectionDays.map((n) => ({ value: n as number, text: t(`inspect.daysOf.${n}`) }))"
      />
      <choice-pick
        v-model="hours"
        :label="t('inspect.hours')"
        named
        :choices="inspectionHours.map((n) => ({ value: n as number, text: t(`inspect.hoursOf.${n}`) }))"
      />
      <div class="acts">
        <n-button type="primary" attr-type="submit" size="large" :disabled="name.trim() === ''">{{
          t('inspect.make')
        }}</n-button>
        <n-button size="large" @click="making = false">{{ t('common.cancel') }}</n-button>
      </div>
    </form>
    <n-button v-else size="large" class="begin" @click="((making = true), (made = null))">{{
      t('inspect.new')
    }}</n-button>
  </section>
</template>

<style scoped>
.links {
  margin-top: 30px;
  display: grid;
  gap: 10px;
}
h2 {
  font-size: 20px;
}
li {
  display: grid;
  grid-template-columns: minmax(110px, 200px) 1fr auto;
  gap: 14px;
  align-items: center;
  min-height: 60px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line-soft);
}
.new {
  display: grid;
  gap: 16px;
  max-width: 760px;
}
.acts {
  display: flex;
  gap: 12px;
}
.begin {
  justify-self: start;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
