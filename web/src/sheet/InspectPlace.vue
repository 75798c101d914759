<script setup lang="ts">
import type { OwnInspection } from '@tadka/contract/people'
import { boundsOfDay, dateAfter, dayOf } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import { instant } from '@tadka/core/quantity'
import { useEventListener } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import { useSiteStore } from '../site/site.ts'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import { ask } from '../wire/api.ts'
import { now, nowByMinute } from '../wire/clock.ts'
import ChainCheck from '../record/ChainCheck.vue'
import LogList from '../record/LogList.vue'
import DayPages from './DayPages.vue'

/** What an inspector's link opens: the log of its period, read only, until it ends. */
const { t } = useI18n()
const session = useSession()
const router = useRouter()
const site = useSiteStore()
const { clock, day } = useTimes()
const refusalText = useRefusalText()
const names = useNames()

const own = ref<OwnInspection | null>(null)
const refused = ref('')
/** Its time is over while it is open: nothing more is read. */
const isOver = computed(() => own.value !== null && now() >= own.value.endsAt)
const name = computed(() => site.set?.name ?? '')
const shown = ref<'title' | 'entries'>('title')
const shownDay = ref('')
const station = ref('')
const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
const dayAt = (at: number) => (set.value ? dayOf(set.value, instant(at)) : '')
const today = computed(() => dayAt(nowByMinute()))
/** The first day that lies in the link's period wholly. */
const first = computed(() => {
  const from = own.value?.from
  if (from === undefined || !set.value) return ''
  const day = dayAt(from)
  return boundsOfDay(set.value, day).from < from ? dateAfter(day, 1) : day
})
function show(change: { day?: string; station?: string }): void {
  shownDay.value = change.day ?? shownDay.value
  station.value = change.station ?? station.value
}

/** On a tablet of the site: back to who works here, by their PIN. */
const isTablet = computed(() => !!session.door?.tablet)
async function back(): Promise<void> {
  const who = session.acting
  if (who) await session.signOut(who.id).catch(() => {})
  await router.push('/sign-in')
}

async function open(): Promise<void> {
  refused.value = ''
  try {
    const token = window.location.hash.slice(1)
    // A link is opened once; what it opened stays until it ends.
    if (token) await session.inspect(token)
    else await session.load()
    // The address is no secret any more that somebody could read over a shoulder.
    window.history.replaceState(window.history.state, '', '/inspect')
    own.value = await ask<OwnInspection>('GET', `/api/sites/${session.site}/inspection`)
    await site.lookAt()
  } catch (error) {
    refused.value = refusalText(error)
  }
}
onMounted(open)
// Another link in the same window.
useEventListener(window, 'hashchange', () => window.location.hash !== '' && open())
</script>

<template>
  <main class="inspect">
    <p v-if="refused || isOver" class="refused" role="alert">{{ refused || t('inspect.over') }}</p>
    <template v-else-if="own && site.loaded">
      <header class="head">
        <n-button v-if="isTablet" class="back no-print" @click="back">{{ t('inspect.back') }}</n-button>
        <h1>
          {{
            own.station === null
              ? t('inspect.log', { site: name })
              : t('inspect.machine', { machine: names.station(own.station), site: name })
          }}
        </h1>
        <p>
          {{ t('inspect.period', { from: day(own.from) }) }}
          {{ t('inspect.ends', { time: `${day(own.endsAt)} ${clock(own.endsAt)}` }) }}
        </p>
      </header>
      <nav v-if="own.station === null" class="tabs no-print" :aria-label="t('place.log')">
        <button
          v-for="tab in ['title', 'entries'] as const"
          :key="tab"
          type="button"
          :aria-pressed="shown === tab"
          @click="shown = tab"
        >
          {{ t(`sheet.${tab}`) }}
        </button>
      </nav>
      <day-pages
        v-if="shown === 'title' && own.station === null"
        :day="shownDay || today"
        :today="today"
        :first="first"
        :station="station"
        @show="show"
      />
      <log-list v-else finds><chain-check /></log-list>
    </template>
    <p v-else class="quiet" role="status">{{ t('common.loading') }}</p>
  </main>
</template>

<style scoped src="../pieces/tabs.css" />
<style scoped>
.inspect {
  height: 100%;
  overflow: auto;
  padding: 20px 0 40px;
}
header {
  padding: 0 var(--gutter) 8px;
}
h1 {
  font-size: 28px;
}
.refused,
.quiet {
  padding: 60px var(--gutter);
  font-size: 20px;
}
.back {
  float: right;
  min-height: 48px;
}
.tabs {
  padding: 0 var(--gutter);
}
</style>
