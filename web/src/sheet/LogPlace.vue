<script setup lang="ts">
import { dayOf } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import OutOfService from '../procedure/OutOfService.vue'
import HeldDrafts from '../record/HeldDrafts.vue'
import RefusedDrafts from '../record/RefusedDrafts.vue'
import SignDay from '../record/SignDay.vue'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { nowByMinute } from '../wire/clock.ts'
import DayPages from './DayPages.vue'
import LogTabs from './LogTabs.vue'
import ReviewWaiting from './ReviewWaiting.vue'

/** The log, a trading day on a page; which day and station stand in the address. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const route = useRoute()
const router = useRouter()

const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
const today = computed(() => (set.value ? dayOf(set.value, nowByMinute()) : ''))
const asked = (name: string) => {
  const found = route.query[name]
  return typeof found === 'string' ? found : ''
}
/** Whatever the address says: a day to come is today. */
const day = computed(() => {
  const of = asked('day')
  return /^\d{4}-\d{2}-\d{2}$/.test(of) && of < today.value ? of : today.value
})
function show(change: { day?: string; station?: string }): void {
  const all = { ...route.query, ...change }
  void router.push({ query: Object.fromEntries(Object.entries(all).filter(([, v]) => v)) })
}
</script>

<template>
  <div class="log">
    <place-bar :title="t('place.log')" class="no-print">
      <log-tabs />
    </place-bar>
    <div class="waiting no-print">
      <refused-drafts />
      <held-drafts />
      <review-waiting />
      <out-of-service :stations="site.all('station')" plain />
    </div>
    <day-pages :day="day" :today="today" :station="asked('station')" @show="show">
      <router-link v-if="session.mayDo('record')" to="/log/case/new" class="new">{{
        t('case.open')
      }}</router-link>
      <sign-day v-if="session.mayDo('sign-shift')" />
    </day-pages>
  </div>
</template>

<style scoped>
.log {
  padding-bottom: 40px;
}
.new {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.waiting {
  padding: 0 var(--gutter);
  max-width: 1100px;
}
</style>
