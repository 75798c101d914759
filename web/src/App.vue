<script setup lang="ts">
import { createLocale, enUS, NConfigProvider, NMessageProvider } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import AppFrame from './frame/AppFrame.vue'
import { later } from './pieces/later.ts'
import { useTheme } from './look/theme.ts'
import { useVersion } from './frame/version.ts'
import { unfetched } from './router.ts'

const IncidentNotice = later(() => import('./incident/IncidentNotice.vue'))
const HelpCalls = later(() => import('./procedure/HelpCalls.vue'))
useVersion()
const { base, overrides } = useTheme()
const route = useRoute()
const { t } = useI18n()
/** What lists say of themselves, in our words. */
const lists = computed(() =>
  createLocale(
    { Select: { placeholder: t('common.choose') }, Empty: { description: t('common.noneToChoose') } },
    enUS,
  ),
)
/** Pages that need nobody signed in: the sign-in itself, and the gallery in development. */
const open = computed(() => route.meta['open'] === true)
</script>

<template>
  <n-config-provider :locale="lists" :theme="base" :theme-overrides="overrides" style="height: 100%">
    <!-- What was done or went wrong is said there aloud, too. -->
    <div id="messages" role="status" />
    <n-message-provider to="#messages" placement="top" :duration="4000">
      <p v-if="unfetched" class="unfetched" role="status">{{ $t('common.unfetched') }}</p>
      <router-view v-if="open" />
      <app-frame v-else-if="route.matched.length > 0">
        <template #above><incident-notice /></template>
        <help-calls />
      </app-frame>
    </n-message-provider>
  </n-config-provider>
</template>

<style scoped>
.unfetched {
  padding: 16px 24px;
  background: var(--close-wash);
  font-weight: 600;
  text-align: center;
}
</style>
