<script setup lang="ts">
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import OutOfService from '../procedure/OutOfService.vue'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import AmendEntry from './AmendEntry.vue'
import AmendReading from './AmendReading.vue'
import ChainCheck from './ChainCheck.vue'
import EnterRun from './EnterRun.vue'
import HeldDrafts from './HeldDrafts.vue'
import type { LogRecord } from './log.ts'
import LogList from './LogList.vue'
import RefusedDrafts from './RefusedDrafts.vue'
import SignDay from './SignDay.vue'

/** The log: a mistake is amended beside the old, a day is signed, the chain is checked. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const amending = ref<LogRecord | null>(null)
</script>

<template>
  <div class="log">
    <place-bar :title="t('place.log')">
      <sign-day v-if="session.mayDo('sign-shift')" />
    </place-bar>
    <refused-drafts />
    <held-drafts />
    <out-of-service :stations="site.all('station')" plain class="first" />
    <log-list @amend="(r) => (amending = r)">
      <enter-run v-if="session.mayDo('override')" />
      <a class="file" :href="`/api/sites/${session.site}/log.csv`" download>{{ t('log.csv') }}</a>
      <a class="file" :href="`/api/sites/${session.site}/log.json`" download>{{ t('log.json') }}</a>
      <!-- Last: what it finds stands behind it. -->
      <chain-check />
    </log-list>
    <amend-reading v-if="amending?.type === 'reading.taken@1'" :record="amending" @close="amending = null" />
    <amend-entry v-else-if="amending" :record="amending" @close="amending = null" />
  </div>
</template>

<style scoped>
.log {
  padding-bottom: 24px;
}
.file {
  min-height: 48px;
  display: flex;
  align-items: center;
  padding: 0 6px;
  font-weight: 600;
}
.first {
  padding: 0 var(--gutter);
}
</style>
