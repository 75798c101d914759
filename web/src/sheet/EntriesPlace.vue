<script setup lang="ts">
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import { useSession } from '../rights/session.ts'
import AmendAny from '../record/AmendAny.vue'
import ChainCheck from '../record/ChainCheck.vue'
import EnterRun from '../record/EnterRun.vue'
import type { LogRecord } from '../record/log.ts'
import LogTabs from './LogTabs.vue'
import LogList from '../record/LogList.vue'

/** Every entry of the log: a mistake is amended beside the old, the chain is checked. */
const { t } = useI18n()
const session = useSession()
const amending = ref<LogRecord | null>(null)
</script>

<template>
  <div class="log">
    <place-bar :title="t('place.log')">
      <log-tabs />
    </place-bar>
    <log-list finds @amend="(r) => (amending = r)">
      <enter-run v-if="session.mayDo('override')" />
      <router-link class="file" to="/log/pack">{{ t('log.tables') }}</router-link>
      <a class="file" :href="`/api/sites/${session.site}/log.json`" download>{{ t('log.json') }}</a>
      <!-- Last: what it finds stands behind it. -->
      <chain-check />
    </log-list>
    <amend-any :record="amending" @close="amending = null" />
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
</style>
