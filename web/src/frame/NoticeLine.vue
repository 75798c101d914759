<script setup lang="ts">
import { catalogue } from '@tadka/core/refusal'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useStorageSpace } from '../stream/storage-space.ts'
import { lostHead } from '../stream/head.ts'
import { useSession } from '../rights/session.ts'
import { useSiteStore } from '../site/site.ts'
import { useVersion } from './version.ts'

/** What everybody on this tablet must know now: records that may be lost, no network, a newer version. The worst is told. */
const props = defineProps<{ inRun: boolean }>()
const site = useSiteStore()
const session = useSession()
const isLost = computed(() => lostHead.value !== null && lostHead.value.site === session.site)
const { t } = useI18n()
const space = useStorageSpace()
const { isNewReady, takeNew } = useVersion()
const atRisk = computed(() => site.unkept || space.canKeep.value === false)
/** What the server says of its own disk or database: nothing is saved there until somebody acts. */
const notSaved = computed(() => {
  const { stuck } = site
  return stuck !== null && stuck !== 'unreachable' && catalogue[stuck.code].kind === 'down'
    ? stuck.message
    : null
})
const text = computed(() => {
  if (atRisk.value) return t('common.storage.unkept')
  if (space.isShort.value) return t('common.storage.short')
  if (site.unknownType) return t('common.reload')
  if (notSaved.value !== null) return notSaved.value
  return site.loaded && !site.connected ? t('common.offline') : ''
})
const isGrave = computed(() => atRisk.value || notSaved.value !== null)
/** Never in the middle of a run. */
const mayUpdate = computed(() => isNewReady.value && !props.inRun)
</script>

<template>
  <p v-if="text" class="notice" :class="{ risk: isGrave }" :role="isGrave ? 'alert' : 'status'">{{ text }}</p>
  <p v-if="isLost" class="notice risk" role="alert">
    {{ t('common.lost', { seq: lostHead?.seq }) }}
    <n-button v-if="session.mayDo('verify-chain')" @click="lostHead = null">{{
      t('common.lostNoted')
    }}</n-button>
  </p>
  <p v-else-if="mayUpdate" class="notice" role="status">
    {{ t('common.update') }}
    <n-button @click="takeNew">{{ t('common.updateNow') }}</n-button>
  </p>
</template>

<style scoped>
.notice {
  background: var(--close-wash);
  color: var(--ink);
  padding: 8px 24px;
  font-weight: 600;
  text-align: center;
}
.risk {
  background: var(--out-wash);
}
</style>
