<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'

interface Report {
  sound: boolean
  records: number
  faults: ({ what: string } & Record<string, unknown>)[]
}

const session = useSession()
const { t } = useI18n()
const busy = ref(false)
const told = ref('')
const bad = ref(false)

function wrong([first, ...more]: Report['faults']): string {
  const said = t(`log.fault.${first?.what ?? 'chain'}`, { ...first })
  return `${said} ${more.length > 0 ? t('log.faultMore', { n: more.length }) : t('log.faultAlone')}`
}

async function check(): Promise<void> {
  busy.value = true
  try {
    const report = await ask<Report>('POST', `/api/sites/${session.site}/verify`)
    bad.value = !report.sound
    told.value = report.sound ? t('log.sound', { n: report.records }) : wrong(report.faults)
  } catch {
    bad.value = true
    told.value = t('common.offline')
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <n-button :loading="busy" @click="check">{{ t('log.verify') }}</n-button>
  <span role="status" :class="['told', { bad }]">{{ told }}</span>
</template>

<style scoped>
.told {
  font-weight: 600;
  color: var(--in);
}
.bad {
  color: var(--out);
}
</style>
