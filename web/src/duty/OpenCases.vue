<script setup lang="ts">
import type { CaseState } from '@tadka/core/record'
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { useTimes } from '../look/times.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useNames } from '../record/names.ts'

/** Corrective actions that stand until a recheck is in. */
defineProps<{ cases: readonly CaseState[] }>()
const { t } = useI18n()
const { clock } = useTimes()
const names = useNames()
const router = useRouter()

function look(c: CaseState): void {
  if (c.run) void router.push(`/run/${c.run}`)
  else void router.push({ path: '/bench/check', query: { case: c.id } })
}
</script>

<template>
  <h2 class="label">{{ t('shift.openCase') }}</h2>
  <ul>
    <li v-for="c in cases" :key="c.id">
      <verdict-mark :verdict="c.verdict ?? 'cannot-tell'" :size="22" />
      <p>{{ c.station ? names.station(c.station) : c.bath }}, {{ clock(c.openedAt) }}</p>
      <n-button block type="primary" @click="look(c)">{{ t('shift.look') }}</n-button>
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 8px 0 20px;
}
li {
  border-top: 3px solid var(--out);
  padding: 12px 0 14px;
}
p {
  color: var(--ink-2);
  font-size: 15px;
  margin: 2px 0 10px;
}
</style>
